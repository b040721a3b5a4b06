import { isMet, phrasesIn, tokensOf } from '../language/phrases'
import { NO_WORDS, YES_WORDS } from '../vocabulary/trade-rows'

const [YES, NO] = [phrasesIn(YES_WORDS), phrasesIn(NO_WORDS)]

/** The figures in a label with their signs. @example figuresIn('−0.7') // [-0.7] */
export const figuresIn = (label: string): readonly number[] =>
  [
    ...label
      .replaceAll('−', '-')
      .replaceAll(/(\d),(\d)/g, '$1.$2')
      .matchAll(/(?<![\d.])[-+]?\d+(?:\.\d+)?(?:\/\d+)?/g),
  ].map(m => {
    const [top = '', bottom] = m[0].split('/')
    return bottom ? Number((Number(top) / Number(bottom)).toFixed(2)) : Number(top)
  })

/** Whether words say yes or no; undefined where they say neither. */
export const yesOrNo = (tokens: readonly string[]): boolean | undefined =>
  NO.some(p => isMet(p, tokens)) ? false : YES.some(p => isMet(p, tokens)) ? true : undefined

/** Whether two options are a yes and a no, and nothing else. */
export const isYesNo = (options: readonly string[]): boolean => {
  const said = options.map(o => yesOrNo(tokensOf(o)))
  return said.length === 2 && said.includes(true) && said.includes(false)
}
