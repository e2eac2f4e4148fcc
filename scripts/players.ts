// Three players at every exercise: `npm run players -- 300 [from] [exercise,exercise …]`. Resumable: kept in
// players.jsonl. One follows every advice of the application, one the rules of thumb, one does anything.
import { EXERCISES } from '../core/src'
import {
  playOnce,
  PLAYERS,
  playerRow,
  PLAYER_COLUMNS,
  type Player,
  type PlayedLife,
} from '../core/test/practice/players'
import { keptLives, printTable } from './kept'

const words = process.argv.slice(2).filter((word) => word !== '--')
const [count = 20, from = 1] = words.filter((word) => /^\d+$/.test(word)).map(Number)
const named = words.find((word) => !/^\d+$/.test(word))?.split(',')

const kept = keptLives<PlayedLife>('players.jsonl')
for (let seed = from; seed < from + count; seed++)
  for (const exercise of EXERCISES.filter(({ id }) => named?.includes(id) ?? true))
    for (const player of PLAYERS)
      kept.live(`${exercise.id}, ${player}, ${seed}`, () => {
        const { unsafe, wastedG, soundG, minutes, days, released } = playOnce(exercise, player, seed)
        return { exercise: exercise.id, player, seed, unsafe, wastedG, soundG, minutes, days, released }
      })

const lives = kept.all()
const of = (player: Player, id?: string) =>
  lives.filter((life) => life.player === player && (id === undefined || life.exercise === id))
printTable([
  PLAYER_COLUMNS,
  ...EXERCISES.flatMap(({ id }) => PLAYERS.map((player) => playerRow(`${id}, ${player}`, of(player, id)))),
  ...PLAYERS.map((player) => playerRow(`all, ${player}`, of(player))),
])
process.exitCode = of('by the book').some(({ unsafe }) => unsafe > 0) ? 1 : 0
