import axe, { type RunOptions } from 'axe-core'
import { expect, type Page } from '@playwright/test'

type Checker = typeof axe

const TAGS: RunOptions = {
  resultTypes: ['violations'],
  iframes: false,
  runOnly: { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] },
  rules: { 'color-contrast': { enabled: false } },
}

/** Colours in which this process has seen words stand out enough; see `marked`. */
const enough = new Set<string>()

const load = async (page: Page): Promise<void> => {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
}

/** What breaks a rule on the page, of all rules but that of contrast. */
const broken = async (page: Page): Promise<readonly string[]> => {
  await load(page)
  return page.evaluate(async how => {
    const { axe } = window as unknown as { readonly axe: Checker }
    const { violations } = await axe.run(document, how)
    return violations.map(v => `${v.id}: ${v.nodes.map(n => n.target.join(' ')).join(', ')}`)
  }, TAGS)
}

/**
 * Marks words in colours that were not seen yet, three for each, with what contrast comes from: their own colour, size
 * and weight, all that lies behind them, and whether the rule asks anything of them.
 *
 * @returns how many are marked
 */
const marked = (page: Page): Promise<number> =>
  page.evaluate(
    known => {
      const behind = new Map<Element, string>()
      const behindOf = (e: Element): string => {
        const before = behind.get(e)
        if (before !== undefined) return before
        const s = getComputedStyle(e)
        const isSeenThrough = /^rgba\(.*, 0\)$|^transparent$/.test(s.backgroundColor) && s.backgroundImage === 'none'
        const own = [
          isSeenThrough ? '' : `${s.backgroundColor} ${s.backgroundImage}`,
          s.opacity === '1' ? '' : s.opacity,
        ]
        const all = `${own.join('')}${own.some(Boolean) && e.parentElement ? '<' : ''}${e.parentElement ? behindOf(e.parentElement) : ''}`
        behind.set(e, all)
        return all
      }
      const isOff = (e: Element): boolean => e.closest(':disabled, [aria-disabled=true], .Mui-disabled') !== null
      const times = new Map<string, number>()
      let count = 0
      for (const e of document.querySelectorAll<HTMLElement>('body *')) {
        delete e.dataset['seen']
        const hasWords = [...e.childNodes].some(n => n.nodeType === Node.TEXT_NODE && n.textContent?.trim())
        if (!hasWords || isOff(e) || !e.checkVisibility({ opacityProperty: true, visibilityProperty: true })) continue
        const { width, height } = e.getBoundingClientRect()
        if (width <= 1 || height <= 1) continue
        const s = getComputedStyle(e)
        const looks = [s.color, s.fontSize, s.fontWeight, s.textShadow, behindOf(e)].join(' | ')
        const before = times.get(looks) ?? 0
        if (known.includes(looks) || before === 3) continue
        times.set(looks, before + 1)
        e.dataset['seen'] = looks
        count++
      }
      return count
    },
    [...enough],
  )

/** Words that do not stand out enough, of those marked; remembers the colours of those that do. */
const faint = async (page: Page): Promise<readonly string[]> => {
  await load(page)
  const found = await page.evaluate(async () => {
    const { axe } = window as unknown as { readonly axe: Checker }
    const { violations, passes } = await axe.run('[data-seen]', {
      runOnly: { type: 'rule', values: ['color-contrast'] },
      resultTypes: ['violations', 'passes'],
      iframes: false,
      elementRef: true,
    })
    const looksOf = (all: typeof passes) => all.flatMap(r => r.nodes.map(n => n.element?.dataset['seen'] ?? ''))
    const faint = violations.flatMap(v => v.nodes.map(n => `${v.id}: ${n.target.join(' ')}`))
    return { faint, looksOfFaint: looksOf(violations), looks: looksOf(passes) }
  })
  for (const looks of found.looks) if (looks && !found.looksOfFaint.includes(looks)) enough.add(looks)
  return found.faint
}

/**
 * Words that do not stand out enough now. What is drawn anew in that very moment may have the colour of the theme
 * before; to be read it has to be right a moment later.
 */
const faintNow = async (page: Page): Promise<readonly string[]> => {
  if ((await marked(page)) === 0 || (await faint(page)).length === 0) return []
  await page.waitForTimeout(300)
  return (await marked(page)) === 0 ? [] : faint(page)
}

/** What is still fading in has the colours of neither before nor after. */
const settled = (page: Page): Promise<void> =>
  page.evaluate(async () => {
    // What changes by classes begins to move with the next frame.
    for (let frames = 0; frames < 2; frames++) await new Promise(requestAnimationFrame)
    const ends = (a: Animation) => a.effect?.getComputedTiming().endTime !== Infinity
    await Promise.allSettled(document.getAnimations().flatMap(a => (ends(a) ? [a.finished] : [])))
  })

const turned = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const { dataset } = document.documentElement
    return (dataset['theme'] = dataset['theme'] === 'dark' ? 'light' : 'dark')
  })

/** The page breaks no rule of WCAG 2.2 A and AA that axe can tell, in the light theme and in the dark. */
export const expectAccessible = async (page: Page): Promise<void> => {
  await settled(page)
  const here = [...(await broken(page)), ...(await faintNow(page))].map(f => `here, ${f}`)
  // In the other theme nothing but the colours is another; they change at once where nothing may move.
  await page.emulateMedia({ reducedMotion: 'reduce' })
  const theme = await turned(page)
  await settled(page)
  const there = (await faintNow(page)).map(f => `${theme}, ${f}`)
  await turned(page)
  await page.emulateMedia({ reducedMotion: null })
  expect([...here, ...there]).toEqual([])
}
