import { produce, type ProduceRow, type Triple } from './rows'

/** Ripe red pepper: citric 0.26, malic 0.12, succinic 0.035, ascorbic 0.15 %, 10 and 14 mmol/kg of sites; from memory. */
const RIPE = {
  sugar: [3, 4.5, 6], ph: [4.8, 5.1, 5.6], sites: [10, 14],
  acids: { citric: [0.15, 0.26, 0.4], malic: [0.03, 0.12, 0.2], succinic: [0.02, 0.035, 0.05], ascorbic: [0.1, 0.15, 0.2] },
} as const satisfies Partial<ProduceRow>

/** Picked green: less sugar, higher pH. */
const GREEN = { sugar: [1, 2, 3.5], ph: [5, 5.5, 6], acids: { citric: [0.05, 0.15, 0.3], malic: [0.05, 0.15, 0.3] } } as const satisfies Partial<ProduceRow>

const pepper = (id: string, name: string, color: string, shu: Triple, names: string, piece: Triple, rest: Partial<ProduceRow> = {}) =>
  produce('pepper', id, name, color, { ...RIPE, shu, piece, ...(names && { names }), ...rest })

const water = (low: number, typical: number, high: number): Partial<ProduceRow> => ({ water: [low, typical, high] })
const dried = (low = 8, typical = 11, high = 15): Partial<ProduceRow> => ({
  water: [low, typical, high], sugar: [15, 28, 38], ph: [4.8, 5.2, 5.6], sites: [60, 80], cup: [40, 60, 100],
  acids: { citric: [0.9, 1.6, 2.6], malic: [0.2, 0.7, 1.3], succinic: [0.1, 0.22, 0.35] },
})

/** Peppers, fresh unless dried is in the name. Heat on a dry basis: ranges of common practice. */
export const PEPPERS = [
  pepper('fresno', 'Fresno chilli', '#c8341f', [2500, 5000, 10000], 'fresno, red fresno', [12, 18, 28]),
  pepper('cayenne', 'Cayenne', '#c22a1b', [30000, 40000, 50000], 'guinea pepper, cow-horn', [5, 9, 15], water(82, 85, 88)),
  pepper('jalapeno', 'Jalapeño', '#4f7a33', [2500, 5000, 8000], 'jalapeno, green jalapeno', [14, 20, 30], { ...GREEN, ...water(88, 90, 92) }),
  pepper('jalapeno-red', 'Red jalapeño', '#b93025', [2500, 5000, 8000], 'ripe jalapeno', [14, 20, 30], water(87, 89, 91)),
  pepper('habanero', 'Habanero', '#e0701c', [100000, 200000, 350000], 'orange habanero', [5, 9, 14], water(86, 88, 91)),
  pepper('habanero-chocolate', 'Chocolate habanero', '#5b3226', [200000, 300000, 450000], 'brown habanero', [6, 10, 15], water(86, 88, 91)),
  pepper('scotch-bonnet', 'Scotch bonnet', '#e8961f', [100000, 200000, 350000], 'bonney, caribbean red', [7, 11, 17], water(86, 88, 91)),
  pepper('lemon-drop', 'Lemon-drop chilli', '#e6c832', [15000, 25000, 50000], 'aji limon, hot lemon', [3, 5, 8], water(84, 87, 90)),
  pepper('aji-yellow', 'Yellow aji', '#e2b030', [20000, 35000, 50000], 'aji amarillo', [15, 25, 40], water(84, 87, 90)),
  pepper('aji-limo', 'Aji limo', '#d9822b', [30000, 45000, 60000], 'baccatum limo', [4, 7, 10]),
  pepper('aji-dulce', 'Aji dulce', '#d24a2a', [0, 300, 1000], 'seasoning pepper, sweet habanero', [5, 8, 12]),
  pepper('cherry-pepper', 'Cherry pepper', '#a3262d', [500, 2500, 5000], 'cherry bomb, pimiento bola', [12, 20, 35], water(86, 89, 92)),
  pepper('cubanelle', 'Cubanelle', '#a3b545', [0, 300, 1000], 'italian frying pepper', [50, 80, 120], { ...GREEN, ...water(91, 93, 95) }),
  pepper('sweet-red', 'Sweet red pepper', '#cf3a2a', [0, 30, 100], 'bell pepper, capsicum, red bell, paprika', [120, 170, 240], { from: 'D034', ph: [4.65, 5.0, 5.45] }),
  pepper('sweet-yellow', 'Sweet yellow pepper', '#e5b733', [0, 30, 100], 'yellow bell, yellow capsicum', [120, 170, 240], { from: 'D035', ph: [4.65, 5.0, 5.45] }),
  pepper('sweet-green', 'Sweet green pepper', '#5f8f3a', [0, 30, 100], 'green bell, green capsicum', [120, 160, 230], { ...GREEN, from: 'D033', ph: [5.2, 5.5, 5.9] }),
  pepper('pimiento', 'Pimiento', '#b8261e', [0, 200, 500], 'heart pepper', [60, 100, 150]),
  pepper('green-chilli', 'Green chilli', '#5b8a3c', [20000, 40000, 60000], 'hari mirch, finger chilli', [3, 5, 8], { ...GREEN, sugar: [1, 2, 3], from: 'G008' }),
  pepper('serrano', 'Serrano', '#4b7d36', [10000, 16000, 25000], '', [4, 6, 10], { ...GREEN, ...water(87, 90, 92) }),
  pepper('poblano', 'Poblano', '#2f4f2b', [1000, 1500, 2000], 'ancho when dried', [60, 90, 130], { ...GREEN, ...water(90, 92, 94) }),
  pepper('anaheim', 'Anaheim', '#6c9440', [500, 1200, 2500], 'long green chilli, california chilli', [35, 55, 80], { ...GREEN, ...water(90, 92, 94) }),
  pepper('chilaca', 'Chilaca', '#3d3b22', [1000, 1800, 4000], 'pasilla when dried', [20, 35, 55], GREEN),
  pepper('hungarian-wax', 'Hungarian wax pepper', '#d9c55a', [1000, 5000, 15000], 'hot wax pepper', [30, 45, 70], water(89, 91, 93)),
  pepper('banana-pepper', 'Banana pepper', '#ddd06a', [0, 300, 900], 'sweet wax pepper', [30, 45, 70], water(91, 93, 95)),
  pepper('pepperoncini', 'Pepperoncini', '#b8b94a', [100, 300, 500], 'golden greek pepper, friggitello', [8, 14, 22], { ...GREEN, ...water(90, 92, 94) }),
  pepper('padron', 'Padrón pepper', '#547a35', [0, 500, 2500], 'padron', [6, 10, 16], GREEN),
  pepper('shishito', 'Shishito', '#638a3b', [50, 100, 200], 'kkwari', [5, 8, 13], GREEN),
  pepper('small-frutescens', 'Small frutescens chilli', '#c23a24', [30000, 40000, 50000], 'frutescens', [1, 2, 3], water(78, 82, 86)),
  pepper('malagueta', 'Malagueta', '#c0321f', [60000, 80000, 100000], '', [1, 1.5, 3], water(78, 82, 86)),
  pepper('bird', 'Bird chilli', '#bf2d1d', [50000, 75000, 100000], 'thai chilli, bird eye, piri-piri', [1, 2, 3], water(78, 82, 86)),
  pepper('pequin', 'Pequin', '#b22a1e', [40000, 55000, 70000], 'piquin, chiltepin', [0.3, 0.6, 1], water(76, 80, 85)),
  pepper('calabrian', 'Calabrian chilli', '#b3231a', [25000, 32000, 40000], 'diavolicchio', [3, 5, 8], water(84, 87, 90)),
  pepper('gochu', 'Korean chilli', '#b02a22', [1500, 4000, 10000], 'gochu, cheongyang', [8, 13, 20], water(86, 88, 91)),
  pepper('halaby', 'Halaby chilli', '#a5281f', [5000, 10000, 15000], 'aleppo-type', [15, 25, 40], water(85, 88, 91)),
  pepper('rocoto', 'Rocoto', '#c0361f', [30000, 60000, 100000], 'manzano, tree chilli', [25, 40, 70], water(87, 89, 92)),
  pepper('datil', 'Datil', '#e29a2c', [100000, 200000, 300000], '', [4, 6, 9], water(86, 88, 91)),
  pepper('fatalii', 'Fatalii', '#e4bb33', [125000, 250000, 400000], '', [4, 7, 11], water(86, 88, 91)),
  pepper('ghost', 'Ghost pepper', '#c43220', [800000, 950000, 1050000], 'bhut jolokia, naga', [5, 8, 12], water(86, 89, 92)),
  pepper('seven-pot', 'Seven-pot chilli', '#bb3a22', [900000, 1100000, 1850000], '7 pot', [5, 9, 14], water(86, 89, 92)),
  pepper('scorpion', 'Scorpion pepper', '#b92c1c', [1000000, 1300000, 2000000], 'trinidad scorpion', [5, 8, 13], water(86, 89, 92)),
  pepper('hottest', 'Reaper-type chilli', '#a81f18', [1200000, 1600000, 2200000], 'superhot', [5, 8, 12], water(86, 89, 92)),
  pepper('dried-red-chilli', 'Dried red chilli', '#8c2418', [20000, 40000, 60000], 'lal mirch, chilli dry', [0.6, 1, 2], { ...dried(), from: 'G022' }),
  pepper('ancho', 'Dried poblano', '#4a1f1a', [1000, 1500, 2000], 'ancho', [12, 17, 24], dried(10, 14, 20)),
  pepper('guajillo', 'Guajillo, dried', '#6d1c17', [2500, 4000, 5000], 'mirasol when fresh', [5, 8, 12], dried()),
  pepper('arbol', 'Arbol, dried', '#9c2a1b', [15000, 25000, 30000], 'chile de arbol', [0.5, 0.8, 1.2], dried()),
  pepper('smoked-jalapeno', 'Smoked dried jalapeño', '#54301f', [2500, 5000, 8000], 'chipotle, morita', [2, 3.5, 6], dried(10, 14, 20)),
  pepper('kashmiri', 'Kashmiri chilli, dried', '#9b1f1a', [1000, 1500, 2500], 'deghi', [0.8, 1.4, 2.5], dried()),
]
