import type { Shelf } from '../recipe/index.ts'
import type { Mix, Region, Step } from '../trade/index.ts'
import type { StepId } from '../units/index.ts'
import { readExactly } from './read-exactly.ts'
import { readFreely } from './read-freely.ts'

/** What was not understood, where it stands, and what is to be said about it. */
interface NoteQuestion {
  /** From 1. */
  readonly line: number
  readonly about: string
  readonly text: string
}

export interface ReadNotes {
  readonly steps: readonly Step[]
  readonly questions: readonly NoteQuestion[]
}

/** What a line of notes may speak of. */
export interface Words {
  readonly regions: readonly Region[]
  readonly shelf: Shelf
}

/** A step as it was read; `last`: it goes on top of all. */
export interface ReadStep extends Omit<Step, 'id'> {
  readonly isLast?: boolean
}

/** What one piece of a line comes to. */
export interface ReadPiece {
  readonly steps: readonly ReadStep[]
  /** What the steps before that share a pot are mixed of now. */
  readonly mixBefore?: Mix
  readonly questions: readonly Omit<NoteQuestion, 'line'>[]
}

/**
 * Reads a recipe as one writes it down: `moss wash over coat and trousers, a little on the leather; pale bone dry brush all
 * over but the skin, twice`, or as `notesOfRecipe` prints it. What is not understood is asked, the rest stands. Never
 * throws. `newId` gives UUIDs.
 */
export function recipeOfNotes(text: string, words: Words, newId: () => string): ReadNotes {
  const read: ReadStep[] = []
  const questions: NoteQuestion[] = []
  text.split(/\r?\n/).forEach((line, index) => {
    for (const piece of piecesOf(line, words)) {
      const { steps, mixBefore, questions: asked } = piece(read.at(-1))
      if (mixBefore) mixAgain(read, mixBefore)
      read.push(...steps)
      questions.push(...asked.map((each) => ({ ...each, line: index + 1 })))
    }
  })
  const inOrder = [...read.filter((step) => !step.isLast), ...read.filter((step) => step.isLast)]
  return {
    steps: inOrder.map(({ isLast: _, ...step }): Step => ({ ...step, id: newId() as StepId })),
    questions,
  }
}

/** The last steps by one pot take it as it is mixed now. */
function mixAgain(read: ReadStep[], mix: Mix): void {
  const pot = JSON.stringify(read.at(-1)?.mix)
  for (let at = read.length - 1; at >= 0; at -= 1) {
    const step = read[at]
    if (!step || JSON.stringify(step.mix) !== pot) break
    read[at] = { ...step, mix }
  }
}

type Piece = (before: ReadStep | undefined) => ReadPiece

function piecesOf(line: string, words: Words): readonly Piece[] {
  if (line.trim() === '') return []
  const exact = readExactly(line, words)
  if (exact) return [() => ({ steps: [exact], questions: [] })]
  return line
    .split(/;|\.\s+(?=\p{L})|\.$/u)
    .map((piece) => piece.trim())
    .filter((piece) => piece !== '')
    .map(
      (piece): Piece =>
        (before) =>
          readFreely(piece, words, before),
    )
}
