/* What is offered to be seen, and asked about it; what it comes to stands in signs. */

/** What can be seen, smelt or felt. The first ten are as old as the log. */
export const SIGN_IDS = [
  'bubbles',
  'foam',
  'calm',
  'white film',
  'fuzzy growth',
  'bag ballooned',
  'not covered',
  'slime',
  'putrid smell',
  'pink colour',
  'cloud',
  'sediment',
  'specks',
  'floaters',
  'no bubbles',
  'soft',
  'tight lid',
  'blue garlic',
  'salt crystals',
  'squeezed',
] as const
export type SignId = (typeof SIGN_IDS)[number]

/** Answers that are easier shown than said, by the picture drawn for each. */
export type AnswerPicture = 'veil' | 'skin' | 'islands' | 'fur' | 'firm' | 'holds' | 'mush'

/** A question that decides, with its answers. */
export interface SignQuestion {
  id: string
  ask: string
  answers: readonly { id: string; text: string; picture?: AnswerPicture }[]
}

/** A sign as it is offered: its name, what it looks like, the one or two questions that decide. */
export interface SignKind {
  id: SignId
  name: string
  looks: string
  questions: readonly SignQuestion[]
}

const UNSURE = { id: 'unsure', text: 'Cannot tell' }
const FUR: SignQuestion = {
  id: 'fur',
  ask: 'Look from the side, with a light: does any of it stand up like fur, felt or dust?',
  answers: [{ id: 'flat', text: 'No, it lies flat' }, { id: 'furry', text: 'Yes, some of it' }, UNSURE],
}
/** A film, from harmless to doubtful. Common practice. */
const FILM: SignQuestion = {
  id: 'film',
  ask: 'Look from the side, with a light: which is it most like?',
  answers: [
    { id: 'flat', text: 'A thin veil', picture: 'veil' },
    { id: 'wrinkled', text: 'A wrinkled skin', picture: 'skin' },
    { id: 'islands', text: 'Thick, in raised islands', picture: 'islands' },
    { id: 'furry', text: 'Fur on it', picture: 'fur' },
    UNSURE,
  ],
}
const SQUEEZE: SignQuestion = {
  id: 'squeeze',
  ask: 'Take a piece with a clean fork and squeeze it between two fingers: what does it do?',
  answers: [
    { id: 'firm', text: 'It springs back', picture: 'firm' },
    { id: 'holds', text: 'It gives, and holds', picture: 'holds' },
    { id: 'mush', text: 'It falls apart', picture: 'mush' },
    UNSURE,
  ],
}
const SMELL: SignQuestion = {
  id: 'smell',
  ask: 'From a hand’s breadth away, how does it smell?',
  answers: [
    { id: 'clean', text: 'Clean and sour' },
    { id: 'boozy', text: 'Like beer or wine' },
    { id: 'sulphur', text: 'Of egg or cabbage, and garlic, radish or cabbage is in it' },
    { id: 'foul', text: 'Foul, like rot or cheese' },
    UNSURE,
  ],
}
const POURS: SignQuestion = {
  id: 'pours',
  ask: 'Lift some liquid on a clean spoon: how does it run off?',
  answers: [{ id: 'runs', text: 'Like water' }, { id: 'ropes', text: 'In strings, like egg white' }, UNSURE],
}

/** What may be seen, in the order it is offered: what is looked for most first. */
export const SIGN_KINDS: readonly SignKind[] = [
  { id: 'bubbles', name: 'Bubbles', looks: 'small ones, when nudged or by themselves', questions: [] },
  { id: 'white film', name: 'Film', looks: 'a white skin on top, flat or wrinkled', questions: [FILM, SMELL] },
  {
    id: 'fuzzy growth',
    name: 'Fuzz',
    looks: 'spots or patches with fur, of any colour',
    questions: [
      FUR,
      {
        id: 'colour',
        ask: 'Is any of it green, black, blue or grey?',
        answers: [{ id: 'white', text: 'No, all white or cream' }, { id: 'coloured', text: 'Yes' }, UNSURE],
      },
    ],
  },
  {
    id: 'specks',
    name: 'Specks',
    looks: 'black or brown dots',
    questions: [
      {
        id: 'where',
        ask: 'Where are they?',
        answers: [
          { id: 'lid', text: 'Only under the lid or on metal' },
          { id: 'food', text: 'On the food or the glass' },
          UNSURE,
        ],
      },
      FUR,
    ],
  },
  { id: 'foam', name: 'Foam', looks: 'froth on top, like beer', questions: [SMELL] },
  { id: 'cloud', name: 'Cloud', looks: 'liquid turned milky', questions: [POURS, SMELL] },
  { id: 'sediment', name: 'Sediment', looks: 'white or cream dust at the bottom', questions: [POURS] },
  {
    id: 'floaters',
    name: 'Floaters',
    looks: 'pieces that rose above the liquid',
    questions: [
      {
        id: 'since',
        ask: 'How long have they stood in the air?',
        answers: [
          { id: 'day', text: 'Less than a day' },
          { id: 'longer', text: 'Longer, or not known' },
        ],
      },
      FUR,
    ],
  },
  {
    id: 'not covered',
    name: 'Brine lost',
    looks: 'the liquid stands lower than the food',
    questions: [
      {
        id: 'since',
        ask: 'How long has it been so?',
        answers: [
          { id: 'day', text: 'Less than a day' },
          { id: 'longer', text: 'Longer, or not known' },
        ],
      },
      FUR,
    ],
  },
  {
    id: 'pink colour',
    name: 'Pink',
    looks: 'pink or red that was not there',
    questions: [
      {
        id: 'own',
        ask: 'Could it come from what is in it: red peppers, beet, plums?',
        answers: [
          { id: 'own', text: 'Yes, and it is even all through' },
          { id: 'patches', text: 'No, or it lies in patches or on top' },
          UNSURE,
        ],
      },
    ],
  },
  { id: 'slime', name: 'Slime', looks: 'thick or stringy liquid', questions: [POURS] },
  { id: 'putrid smell', name: 'Bad smell', looks: 'anything but sour', questions: [SMELL] },
  { id: 'bag ballooned', name: 'Ballooned bag', looks: 'the bag stands tight with gas', questions: [SMELL] },
  { id: 'no bubbles', name: 'No bubbles', looks: 'nothing moves after three days', questions: [] },
  { id: 'squeezed', name: 'Squeezed', looks: 'a piece between two fingers', questions: [SQUEEZE, SMELL] },
  { id: 'soft', name: 'Soft', looks: 'pieces turned mushy', questions: [SMELL] },
  {
    id: 'tight lid',
    name: 'Lid popped up',
    looks: 'the lid is domed, tight, or pops when it is loosened',
    questions: [SMELL],
  },
  {
    id: 'blue garlic',
    name: 'Blue garlic',
    looks: 'garlic turned blue or green',
    questions: [
      {
        id: 'where',
        ask: 'What has the colour?',
        answers: [
          { id: 'garlic', text: 'Only garlic, or onion, all through' },
          { id: 'also', text: 'Something else too, or spots on top' },
          UNSURE,
        ],
      },
      FUR,
    ],
  },
  {
    id: 'salt crystals',
    name: 'Crystals',
    looks: 'white grains at the rim, on the lid or on what stands clear',
    questions: [
      {
        id: 'water',
        ask: 'Put some into a drop of water: what happens?',
        answers: [{ id: 'melts', text: 'It dissolves at once' }, { id: 'stays', text: 'It stays, or smears' }, UNSURE],
      },
      FUR,
    ],
  },
  { id: 'calm', name: 'Calm', looks: 'a stirred mash stays one mass, no lift', questions: [] },
]
