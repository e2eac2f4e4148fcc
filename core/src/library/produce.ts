import { produce, type ProduceRow, type Triple } from './rows'

const vegetable = (id: string, name: string, color: string, row: ProduceRow) => produce('vegetable', id, name, color, row)
const fruit = (id: string, name: string, color: string, row: ProduceRow) => produce('fruit', id, name, color, row)
const herb = (id: string, name: string, color: string, row: Partial<ProduceRow>) =>
  produce('herb', id, name, color, { sugar: [0.3, 0.8, 1.5], ph: [5.7, 6, 6.4], acids: { malic: [0.02, 0.06, 0.15] }, water: [82, 86, 90], ...row })

const malic = (low: number, typical: number, high: number): { malic: Triple } => ({ malic: [low, typical, high] })
const citric = (low: number, typical: number, high: number): { citric: Triple } => ({ citric: [low, typical, high] })

/** Vegetables, fresh. */
export const VEGETABLES = [
  vegetable('carrot', 'Carrot', '#d9772b', { from: 'F002', sugar: [3, 5, 7], ph: [5.9, 6.1, 6.4], acids: malic(0.1, 0.2, 0.3), cup: [110, 125, 140], piece: [50, 75, 120] }),
  vegetable('onion', 'Onion', '#d8cfa8', { from: 'G017', names: 'yellow onion, brown onion', sugar: [4, 5.5, 7], ph: [5.3, 5.6, 5.85], acids: malic(0.1, 0.2, 0.3), cup: [150, 170, 227], piece: [100, 150, 220] }),
  vegetable('onion-red', 'Red onion', '#8d3f5c', { from: 'G017', sugar: [4, 5.5, 7], ph: [5.3, 5.6, 5.85], acids: malic(0.1, 0.2, 0.3), cup: [150, 170, 227], piece: [100, 150, 220] }),
  vegetable('spring-onion', 'Spring onion', '#9db96b', { from: 'D058', names: 'scallion, green onion', sugar: [1.5, 2.5, 4], ph: [5.3, 5.6, 5.9], acids: malic(0.05, 0.1, 0.2), cup: [60, 90, 110], piece: [10, 15, 25] }),
  vegetable('shallot', 'Shallot', '#b88a94', { from: 'G018', sugar: [4, 6, 8], ph: [5.3, 5.6, 5.85], acids: malic(0.1, 0.2, 0.3), cup: [140, 160, 190], piece: [15, 25, 45] }),
  vegetable('leek', 'Leek', '#b5c184', { sugar: [2, 3.5, 5], ph: [5.5, 5.9, 6.2], water: [81, 83, 90], acids: malic(0.1, 0.15, 0.25), cup: [75, 90, 110], piece: [90, 150, 250] }),
  vegetable('garlic', 'Garlic', '#e6dfc6', { from: 'G011', names: 'garlic clove', sugar: [1, 2, 5], ph: [5.8, 6.0, 6.3], acids: citric(0.08, 0.15, 0.25), cup: [125, 136, 150], piece: [3, 5, 7] }),
  vegetable('tomato', 'Tomato', '#d1402b', { from: 'D075', sugar: [2, 2.6, 3.5], ph: [4.3, 4.5, 4.9], acids: { ...citric(0.25, 0.4, 0.6), ...malic(0.02, 0.04, 0.08) }, trust: ['citric'], cup: [180, 227, 240], piece: [80, 120, 180] }),
  vegetable('green-tomato', 'Green tomato', '#8ba648', { from: 'D074', names: 'unripe tomato', sugar: [1, 2, 3], ph: [4.1, 4.3, 4.6], acids: { ...citric(0.25, 0.4, 0.6), ...malic(0.02, 0.05, 0.1) }, cup: [160, 180, 220], piece: [80, 120, 180] }),
  vegetable('tomatillo', 'Tomatillo', '#93ad4d', { names: 'husk tomato', sugar: [2.5, 4, 5], ph: [3.8, 4, 4.4], water: [90, 91.6, 93], acids: citric(0.5, 0.9, 1.3), cup: [120, 132, 160], piece: [25, 34, 60] }),
  vegetable('fennel', 'Fennel bulb', '#c9d6a2', { sugar: [2, 3, 4], ph: [5.8, 6.0, 6.3], water: [88, 90, 92], acids: malic(0.05, 0.1, 0.2), cup: [80, 90, 110], piece: [180, 235, 320] }),
  vegetable('celery', 'Celery', '#a7c070', { from: 'D037', sugar: [1, 1.4, 2], ph: [5.7, 5.9, 6.1], acids: malic(0.05, 0.1, 0.2), allergens: ['celery'], cup: [90, 105, 125], piece: [30, 45, 65] }),
  vegetable('celeriac', 'Celeriac', '#d3c9a5', { names: 'celery root', sugar: [1.2, 1.8, 2.5], ph: [5.7, 6, 6.3], water: [86, 88, 90], acids: malic(0.05, 0.1, 0.2), allergens: ['celery'], piece: [300, 500, 800] }),
  vegetable('ginger', 'Ginger', '#d9c487', { from: 'G014', names: 'ginger root', sugar: [1, 1.7, 2.5], ph: [5.6, 5.8, 6.0], acids: malic(0.05, 0.1, 0.2), cup: [90, 100, 120] }),
  vegetable('turmeric', 'Turmeric root', '#d08a1e', { names: 'fresh turmeric', sugar: [1, 2, 3.5], ph: [5.6, 6, 6.5], water: [78, 82, 86], acids: malic(0.05, 0.1, 0.2) }),
  vegetable('horseradish', 'Horseradish', '#e3ddc6', { sugar: [5, 8, 10], ph: [5.2, 5.4, 5.8], water: [74, 78, 85], acids: malic(0.05, 0.15, 0.3), cup: [200, 240, 260] }),
  vegetable('lemongrass', 'Lemongrass', '#cfd08f', { sugar: [1, 2, 4], ph: [5.5, 6, 6.5], water: [68, 72, 80], acids: malic(0.05, 0.1, 0.2), cup: [60, 67, 80] }),
  vegetable('cabbage', 'Cabbage', '#c7d6a0', { from: 'C015', names: 'white cabbage, green cabbage, cabbage leaf', sugar: [2.5, 3.2, 4], ph: [5.2, 6, 6.8], acids: { ...citric(0.03, 0.06, 0.15), ...malic(0.05, 0.12, 0.2) }, cup: [70, 89, 105], piece: [700, 1000, 1600] }),
  vegetable('cabbage-red', 'Red cabbage', '#7c3a63', { from: 'C016', sugar: [2.5, 3.6, 4.5], ph: [5.4, 5.9, 6.4], acids: { ...citric(0.03, 0.06, 0.15), ...malic(0.05, 0.12, 0.2) }, cup: [70, 89, 105], piece: [600, 900, 1400] }),
  vegetable('cabbage-chinese', 'Chinese cabbage', '#d3dba6', { from: 'C013', names: 'napa, pe-tsai', sugar: [0.8, 1.3, 2], ph: [5.6, 6, 6.5], acids: malic(0.03, 0.08, 0.15), cup: [60, 76, 95] }),
  vegetable('pak-choi', 'Pak choi', '#8fb56b', { from: 'C027', names: 'bok choy', sugar: [0.7, 1.2, 1.8], ph: [5.8, 6.2, 6.6], acids: malic(0.03, 0.08, 0.15), cup: [60, 70, 90] }),
  vegetable('lettuce', 'Lettuce', '#9dc26a', { from: 'C025', sugar: [0.5, 1, 1.6], ph: [5.8, 6, 6.3], acids: malic(0.05, 0.1, 0.2), cup: [35, 47, 60] }),
  vegetable('spinach', 'Spinach', '#3f7a3c', { from: 'C033', sugar: [0.2, 0.4, 0.8], ph: [5.5, 6.2, 6.8], acids: malic(0.02, 0.05, 0.1), cup: [25, 30, 45] }),
  vegetable('cauliflower', 'Cauliflower', '#e7e3cf', { from: 'D036', sugar: [1.5, 2, 2.6], ph: [5.6, 6, 6.5], acids: malic(0.1, 0.2, 0.35), cup: [95, 107, 120] }),
  vegetable('cucumber', 'Cucumber', '#7ea54f', { from: 'D043', names: 'gherkin', sugar: [1, 1.7, 2.5], ph: [5.1, 5.4, 5.8], acids: malic(0.1, 0.2, 0.3), cup: [105, 120, 135], piece: [60, 200, 350] }),
  vegetable('zucchini', 'Zucchini', '#6f9647', { from: 'D077', names: 'courgette, summer squash', sugar: [1.5, 2.2, 3], ph: [5.8, 6, 6.2], acids: malic(0.1, 0.2, 0.3), cup: [110, 124, 140], piece: [150, 200, 320] }),
  vegetable('squash', 'Winter squash', '#d88a2d', { from: 'D066', names: 'pumpkin, butternut, kabocha', sugar: [2, 3, 5], ph: [5.0, 5.4, 6.0], acids: malic(0.05, 0.12, 0.25), cup: [110, 130, 160] }),
  vegetable('sweet-corn', 'Sweet corn', '#e7c94b', { names: 'corn, maize', sugar: [4, 6, 9], ph: [5.9, 6.6, 7.3], water: [73, 76, 79], acids: malic(0.02, 0.04, 0.08), cup: [140, 150, 165], piece: [80, 100, 130] }),
  vegetable('aubergine', 'Aubergine', '#4d2c4c', { from: 'D010', names: 'eggplant, brinjal', sugar: [2, 3, 4], ph: [5.5, 5.9, 6.5], acids: malic(0.08, 0.17, 0.25), cup: [75, 82, 100] }),
  vegetable('green-beans', 'Green beans', '#6d9a44', { from: 'D049', names: 'french beans', sugar: [1.5, 2.5, 3.5], ph: [5.6, 6, 6.5], acids: malic(0.1, 0.2, 0.3), cup: [90, 100, 125] }),
  vegetable('okra', 'Okra', '#6f9a4a', { from: 'D056', names: 'ladies finger', sugar: [1, 1.5, 2.5], ph: [5.8, 6.2, 6.6], acids: malic(0.05, 0.1, 0.2), cup: [90, 100, 115] }),
  vegetable('kohlrabi', 'Kohlrabi', '#bcd39a', { from: 'D053', names: 'knol-khol', sugar: [1.8, 2.6, 3.5], ph: [5.7, 6, 6.4], acids: malic(0.08, 0.15, 0.25), cup: [120, 135, 150] }),
  vegetable('beetroot', 'Beetroot', '#7e1f3d', { from: 'F001', names: 'beet', sugar: [5, 6.8, 8.5], ph: [4.9, 5.7, 6.6], acids: { ...citric(0.05, 0.1, 0.2), ...malic(0.02, 0.04, 0.1) }, cup: [120, 136, 150], piece: [60, 110, 180] }),
  vegetable('radish', 'Radish', '#c94f66', { from: 'F009', names: 'red radish', sugar: [1.2, 1.9, 2.8], ph: [5.5, 5.9, 6.5], acids: malic(0.05, 0.1, 0.2), cup: [105, 116, 130], piece: [8, 15, 30] }),
  vegetable('daikon', 'Daikon', '#e9e8d8', { names: 'white radish, mooli', sugar: [2, 2.5, 3.5], ph: [5.5, 5.9, 6.3], water: [92, 94, 95.5], acids: malic(0.05, 0.1, 0.2), cup: [105, 116, 130] }),
  vegetable('sweet-potato', 'Sweet potato', '#c9713b', { from: 'F013', sugar: [3, 4.5, 6.5], ph: [5.3, 5.5, 5.8], acids: malic(0.05, 0.12, 0.25), cup: [120, 133, 150] }),
]

/** Fruit, fresh unless the name says otherwise. Juices are fruit here. */
export const FRUIT = [
  fruit('mango', 'Mango', '#e8a02b', { from: 'E036', sugar: [6, 9, 13], ph: [3.4, 4.2, 4.8], acids: { ...citric(0.15, 0.4, 0.7), ...malic(0.05, 0.1, 0.2) }, trust: ['citric', 'malic'], piece: [150, 220, 350] }),
  fruit('pineapple', 'Pineapple', '#e3c04a', { from: 'E053', names: 'ananas', sugar: [8, 10, 13], ph: [3.2, 3.6, 4.0], acids: { ...citric(0.4, 0.65, 1), ...malic(0.05, 0.1, 0.2) }, trust: ['citric', 'malic'], piece: [500, 900, 1400] }),
  fruit('pear', 'Pear', '#cdbb6b', { from: 'E051', sugar: [7, 9, 11], ph: [3.5, 4.0, 4.6], acids: { ...malic(0.1, 0.25, 0.5), ...citric(0.02, 0.06, 0.12) }, piece: [120, 170, 230] }),
  fruit('plum', 'Plum', '#7b2a4b', { from: 'E054', sugar: [7, 9, 12], ph: [2.8, 3.5, 4.3], acids: malic(0.8, 1.4, 2), piece: [40, 65, 100] }),
  fruit('apricot', 'Apricot', '#e69a45', { sugar: [6, 9, 12], ph: [3.3, 3.8, 4.8], water: [84, 86.4, 88], acids: { ...malic(0.5, 0.9, 1.3), ...citric(0.2, 0.4, 1) }, piece: [30, 38, 55] }),
  fruit('peach', 'Peach', '#e7a06a', { from: 'E050', names: 'nectarine', sugar: [6, 8.4, 10], ph: [3.3, 3.6, 4.05], acids: { ...malic(0.25, 0.4, 0.6), ...citric(0.1, 0.13, 0.3) }, piece: [110, 150, 200] }),
  fruit('cherry', 'Cherry', '#8e1f33', { from: 'E014', names: 'sweet cherry', sugar: [9, 12, 15], ph: [3.7, 4, 4.4], acids: malic(0.3, 0.6, 1), piece: [5, 8, 11] }),
  fruit('apple', 'Apple', '#c9b44f', { from: 'E001', sugar: [8, 10.4, 13], ph: [3.3, 3.6, 4.0], acids: malic(0.3, 0.5, 1), trust: ['malic'], piece: [120, 180, 240] }),
  fruit('pomegranate', 'Pomegranate seeds', '#a3202f', { from: 'E055', sugar: [9, 12, 15], ph: [2.93, 3.2, 3.6], acids: citric(0.2, 1, 2), trust: ['citric'] }),
  fruit('guava', 'Guava', '#d7c96a', { from: 'E028', sugar: [4, 7, 9], ph: [3.4, 3.9, 4.3], acids: { ...citric(0.2, 0.5, 0.9), ...malic(0.03, 0.1, 0.2) }, trust: ['citric', 'malic'], piece: [60, 100, 180] }),
  fruit('grape', 'Grape', '#6f7f3a', { from: 'E023', sugar: [9, 13.5, 18], ph: [2.9, 3.4, 3.9], acids: { tartaric: [0.28, 0.5, 0.8], ...malic(0.2, 0.35, 0.6) }, trust: ['tartaric', 'malic'], piece: [3, 5, 8] }),
  fruit('orange', 'Orange', '#e58a1f', { from: 'E047', sugar: [6, 8.5, 11], ph: [3.3, 3.7, 4.3], acids: citric(0.6, 0.95, 1.4), trust: ['citric'], piece: [120, 160, 220] }),
  fruit('mandarin', 'Mandarin', '#e8871c', { names: 'clementine, tangerine', sugar: [8, 10.5, 12], ph: [3.3, 3.8, 4.3], water: [84, 85.2, 87], acids: citric(0.5, 0.85, 1.2), piece: [50, 80, 110] }),
  fruit('grapefruit', 'Grapefruit', '#e0785a', { sugar: [5, 7, 8], ph: [3.0, 3.3, 3.75], water: [88, 90, 92], acids: citric(0.9, 1.4, 2), piece: [200, 260, 350] }),
  fruit('kumquat', 'Kumquat', '#e6912a', { sugar: [7, 9, 11], ph: [3.3, 3.7, 4.2], water: [79, 81, 83], acids: citric(0.8, 1.5, 3), piece: [12, 19, 26] }),
  fruit('lemon', 'Lemon, whole', '#e4d64a', { names: 'citron', sugar: [1.5, 2.5, 3.5], ph: [2.2, 2.5, 2.9], water: [86, 89, 91], acids: citric(3, 4.2, 5.5), piece: [80, 110, 150] }),
  fruit('lime', 'Lime, whole', '#9bb83f', { sugar: [1, 1.7, 2.5], ph: [2.1, 2.4, 2.8], water: [86, 88, 90], acids: citric(3.5, 4.6, 6), piece: [45, 67, 90] }),
  fruit('lemon-juice', 'Lemon juice', '#e9df7d', { from: 'E033', sugar: [1.5, 2.5, 3.2], ph: [2.0, 2.4, 2.6], acids: { ...citric(4.5, 5.5, 6.5), ...malic(0.1, 0.24, 0.4) }, sites: [2, 3], cup: [240, 244, 250] }),
  fruit('lime-juice', 'Lime juice', '#c7cf6a', { sugar: [1, 1.7, 2.5], ph: [2.0, 2.3, 2.4], water: [89, 90.5, 92], acids: { ...citric(5, 6, 7), ...malic(0.1, 0.2, 0.4) }, sites: [2, 3], cup: [240, 246, 252] }),
  fruit('orange-juice', 'Orange juice', '#eaa23a', { sugar: [7, 8.5, 10], ph: [3.3, 3.7, 4.15], water: [87, 88.5, 90], acids: citric(0.6, 0.9, 1.3), sites: [2, 4], cup: [240, 248, 255] }),
  fruit('pineapple-juice', 'Pineapple juice', '#e6c65a', { sugar: [9, 11, 13], ph: [3.3, 3.5, 3.7], water: [85, 86.5, 88], acids: { ...citric(0.5, 0.7, 1), ...malic(0.1, 0.2, 0.3) }, sites: [2, 3], cup: [240, 250, 258] }),
  fruit('apple-juice', 'Apple juice', '#d3b15a', { sugar: [9, 10.5, 12], ph: [3.3, 3.6, 4.0], water: [87, 88.2, 90], acids: malic(0.3, 0.5, 0.8), sites: [1, 2], cup: [240, 248, 255] }),
  fruit('tomato-juice', 'Tomato juice', '#c8432e', { sugar: [2.5, 3.5, 4.5], ph: [4.1, 4.3, 4.6], water: [92.5, 94, 95], acids: { ...citric(0.25, 0.4, 0.6), ...malic(0.02, 0.05, 0.1) }, sites: [5, 8], cup: [238, 243, 250] }),
  fruit('strawberry', 'Strawberry', '#c8263a', { from: 'E063', sugar: [4, 5, 7], ph: [3.0, 3.4, 3.9], acids: { ...citric(0.6, 0.8, 1.1), ...malic(0.1, 0.2, 0.3) }, piece: [8, 14, 25] }),
  fruit('raspberry', 'Raspberry', '#b3274a', { sugar: [3, 4.5, 6], ph: [3.2, 3.5, 3.9], water: [84, 86, 88], acids: citric(1, 1.6, 2.2), piece: [3, 4, 6] }),
  fruit('blackberry', 'Blackberry', '#3c2440', { from: 'E013', sugar: [4, 5.5, 8], ph: [3.8, 4.1, 4.5], acids: { ...citric(0.2, 0.5, 1), ...malic(0.1, 0.3, 0.8) }, piece: [4, 6, 9] }),
  fruit('blackcurrant', 'Blackcurrant', '#2e1c33', { from: 'E015', sugar: [5, 7, 9], ph: [2.7, 3, 3.3], acids: { ...citric(2, 2.9, 3.6), ...malic(0.2, 0.4, 0.6) } }),
  fruit('cranberry', 'Cranberry', '#a81f36', { sugar: [3, 4, 5], ph: [2.3, 2.5, 2.8], water: [86, 87.3, 89], acids: { ...citric(0.8, 1.1, 1.5), ...malic(0.6, 0.9, 1.2) }, cup: [95, 105, 115] }),
  fruit('papaya', 'Papaya', '#e58b3c', { from: 'E049', names: 'pawpaw', sugar: [5, 7, 9], ph: [5.2, 5.6, 6.0], acids: { ...citric(0.05, 0.12, 0.2), ...malic(0.02, 0.06, 0.12) }, piece: [300, 500, 900] }),
  fruit('banana', 'Banana', '#e7d27a', { names: 'ripe banana', sugar: [12, 16, 20], ph: [4.5, 4.9, 5.2], water: [72, 75, 78], acids: { ...malic(0.2, 0.4, 0.6), ...citric(0.1, 0.25, 0.4) }, piece: [90, 118, 140] }),
  fruit('melon', 'Musk melon', '#e2b877', { from: 'E045', names: 'cantaloupe', sugar: [3, 5.5, 6.8], ph: [6.1, 6.3, 6.6], acids: citric(0.05, 0.1, 0.2), piece: [600, 900, 1500] }),
  fruit('watermelon', 'Watermelon', '#d8475a', { from: 'E065', sugar: [3.5, 4.8, 5.2], ph: [5.2, 5.5, 5.8], acids: malic(0.1, 0.2, 0.3) }),
  fruit('star-fruit', 'Star fruit', '#d9c64b', { from: 'E062', names: 'carambola', sugar: [3, 4, 6], ph: [2.2, 3.4, 4], acids: citric(0.3, 0.8, 1.2), piece: [70, 100, 140] }),
  fruit('gooseberry', 'Indian gooseberry', '#b9c169', { from: 'E021', names: 'amla', sugar: [3, 4.5, 6], ph: [2.6, 3, 3.3], acids: citric(0.7, 1.4, 2.2), piece: [8, 15, 25] }),
  fruit('fig', 'Fig', '#6b4a57', { from: 'E020', sugar: [9, 15, 18], ph: [4.6, 5, 5.4], acids: { ...citric(0.1, 0.25, 0.4), ...malic(0.05, 0.12, 0.25) }, piece: [30, 50, 65] }),
  fruit('tamarind', 'Tamarind pulp', '#6e4426', { from: 'E064', sugar: [25, 35, 55], ph: [2.4, 2.8, 3.2], acids: { tartaric: [8, 12, 18] }, cup: [220, 250, 290] }),
]

/** Herbs and seeds. */
export const HERBS = [
  herb('coriander', 'Coriander leaf', '#4f8a3c', { from: 'G009', names: 'cilantro', cup: [12, 20, 35] }),
  herb('parsley', 'Parsley', '#3f7a38', { from: 'C028', cup: [30, 55, 65] }),
  herb('mint', 'Mint', '#4d8f53', { from: 'G016', cup: [15, 28, 45] }),
  herb('curry-leaf', 'Curry leaf', '#3f6a35', { from: 'G010', cup: [10, 18, 30] }),
  herb('dill', 'Dill', '#5f9148', { cup: [7, 10, 18] }),
  herb('basil', 'Basil', '#4a8a3e', { cup: [15, 22, 30], water: [90, 92, 94] }),
  herb('coriander-seed', 'Coriander seed', '#a98a4e', { from: 'G024', sugar: [0.5, 2, 3.5], cup: [75, 85, 95] }),
  herb('cumin-seed', 'Cumin seed', '#8f7440', { from: 'G025', sugar: [0.5, 2, 3.5], cup: [90, 100, 110] }),
  herb('mustard-seed', 'Mustard seed', '#c9a23a', { sugar: [3, 6, 7], water: [5, 6, 8], allergens: ['mustard'], cup: [160, 175, 190] }),
]

/** What brings living bacteria or a taste of the sea. */
export const OTHERS = [
  produce('starter', 'whey', 'Fresh whey', '#e6e6c4', { names: 'whey, strained yogurt', sugar: [3.5, 4.5, 5], ph: [4.2, 4.5, 5.8], water: [92, 93.5, 94.5], acids: { lactic: [0.3, 0.6, 0.9], citric: [0.1, 0.15, 0.2] }, sites: [0, 8], allergens: ['milk'], starterLog10: 7, cup: [240, 246, 250] }),
  produce('starter', 'starter-packet', 'Starter culture, packet', '#eee7d2', { names: 'culture, freeze-dried starter', sugar: [40, 60, 80], ph: [5.5, 6, 6.5], water: [3, 5, 7], acids: {}, starterLog10: 10, piece: [1.5, 2, 5] }),
  produce('seafood', 'shrimp', 'Shrimp', '#d99a86', { names: 'prawn, small shrimp', sugar: [0, 0.2, 0.5], ph: [6.5, 6.8, 7.0], water: [75, 78, 81], acids: { lactic: [0.1, 0.25, 0.4] }, sites: [0, 60], allergens: ['crustacean'], salt: 0.4 }),
  produce('seafood', 'krill', 'Krill', '#d0776b', { names: 'tiny shrimp', sugar: [0, 0.2, 0.5], ph: [6.5, 7, 7.4], water: [77, 80, 83], acids: { lactic: [0.05, 0.15, 0.3] }, sites: [0, 55], allergens: ['crustacean'], salt: 1 }),
  produce('seafood', 'crab', 'Crab meat', '#dca58d', { sugar: [0, 0.2, 0.5], ph: [6.5, 6.8, 7.0], water: [76, 79, 82], acids: { lactic: [0.1, 0.2, 0.3] }, sites: [0, 60], allergens: ['crustacean'], salt: 0.7 }),
  produce('seafood', 'anchovy', 'Anchovy', '#93989c', { sugar: [0, 0.1, 0.3], ph: [6.0, 6.3, 6.6], water: [70, 73, 77], acids: { lactic: [0.3, 0.6, 0.9] }, sites: [0, 65], allergens: ['fish'], salt: 0.3 }),
]
