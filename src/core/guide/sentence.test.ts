import { describe, expect, it } from 'vitest'
import {
  BUILT_ON,
  FRESH,
  LAST_SENTENCES,
  LATER_SENTENCES,
  type SentenceCase,
  THIRD_SENTENCES,
} from '../../../test/fixtures/guide/sentences'
import { QUESTIONS } from './questions'
import { readSentence } from './sentence'

const compared = ({ text, answers }: SentenceCase) => {
  const { answers: read } = readSentence(text)
  const isSame = (q: string) => JSON.stringify(read[q]) === JSON.stringify(answers[q])
  return {
    missing: Object.keys(answers).filter(q => !(q in read)),
    untrue: Object.keys(read).filter(q => !isSame(q)),
    said: Object.keys(read).length,
  }
}

/** Figures go beside the names of the tests, where whoever runs them sees them. */
const print = (words: string) => process.stdout.write(`${words}\n`)

describe('a sentence typed freely', () => {
  it.each([
    ['those it was built on', BUILT_ON],
    ['those written beside them', FRESH],
    ['those asked once it was done', LATER_SENTENCES],
    ['those asked after that', LAST_SENTENCES],
    ['those asked the third time', THIRD_SENTENCES],
  ] as const)('%s', (name, sentences) => {
    const all = sentences.map(compared)
    const full = all.filter(c => c.missing.length + c.untrue.length === 0).length
    const sum = (of: (c: (typeof all)[number]) => number) => all.reduce((n, c) => n + of(c), 0)
    const [untrue, said] = [sum(c => c.untrue.length), sum(c => c.said)]
    print(`sentences, ${name}: ${full} of ${all.length} read in full, ${untrue} of ${said} answers untrue`)
    expect(full / all.length).toBeGreaterThan(0.85)
    expect(untrue / said).toBeLessThan(0.04)
  })

  it('shows which words were taken for what', () => {
    expect(readSentence('Ducks over the pond, my first month').heard).toEqual([
      { question: 'what', answer: 'bird', words: 'ducks' },
      { question: 'hands', answer: 'first-days', words: 'first month' },
    ])
  })

  it('says where the words disagree, and answers nothing there', () => {
    const { answers, unsure } = readSentence('a dog and its boy, hand-held')
    expect([answers, unsure]).toEqual([{ support: 'hand' }, ['what']])
  })

  it('does not take for said what is denied', () => {
    expect(readSentence('not a portrait, and the fox never sits still').answers).toEqual({ what: 'animal' })
  })

  it('takes what belongs to somebody for itself, not for whose it is', () => {
    expect(readSentence('the bride’s ring on a cushion').answers).toEqual({ what: 'thing' })
  })

  it('answers only what can be answered', () => {
    for (const { text } of [...BUILT_ON, ...FRESH, ...LATER_SENTENCES, ...LAST_SENTENCES])
      for (const { question, answer } of readSentence(text).heard) {
        const asked = QUESTIONS.find(q => q.id === question)
        if (asked?.kind === 'amount') expect(Number(answer)).toBeGreaterThan(0)
        else expect(asked?.options.map(o => o.id)).toContain(answer)
      }
    expect(readSentence('').answers).toEqual({})
    expect(readSentence('*** ??? (((').answers).toEqual({})
  })

  it('is read within a moment, however long', () => {
    const began = performance.now()
    readSentence('ducks and dogs crossing each other in the night '.repeat(200))
    expect(performance.now() - began).toBeLessThan(5000)
  })
})
