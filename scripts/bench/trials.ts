import { median, onPhone, slowDown } from './page'
import { figure } from './record'

/** A phone is about so much slower than this machine. @source from memory */
const SLOWER = 4
const TAPS = 15

/** From a tap on a counter to the frame that shows it, on a page as slow as a phone. */
export const benchTrials = async (): Promise<void> => {
  console.log('Trials')
  await onPhone(async (page, address) => {
    await page.goto(`${address}/prove/trials/2/count`)
    await page.getByRole('button', { name: /^Sharp, / }).waitFor()
    await slowDown(page, SLOWER)
    const taken: number[] = []
    for (let i = 0; i < TAPS; i++) {
      taken.push(
        await page.evaluate(async () => {
          const pad = [...document.querySelectorAll('button')].find(b =>
            b.getAttribute('aria-label')?.startsWith('Sharp'),
          )
          const before = pad?.getAttribute('aria-label')
          const began = performance.now()
          pad?.click()
          while (pad?.getAttribute('aria-label') === before && performance.now() - began < 3000)
            await new Promise(done => setTimeout(done))
          await new Promise(done => requestAnimationFrame(() => setTimeout(done)))
          return performance.now() - began
        }),
      )
      await page.waitForTimeout(400)
    }
    console.log(
      `  from a tap to the frame that shows it, ${SLOWER} times slowed: ${figure('tap-paint', median(taken), 50)}`,
    )
  })
}
