import { median, onPhone } from './page'
import { figure } from './record'

const PRESSES = 30

/** From a press to the key that shows it, while the drill moves. */
export const benchDrills = async (): Promise<void> => {
  console.log('Drills')
  await onPhone(async (page, address) => {
    await page.goto(`${address}/practise/drills/hold?standard=ring-action&body=sorrel`)
    await page.getByRole('button', { name: /^Start/ }).click()
    await page.locator('svg[aria-label*="moves"]').waitFor({ timeout: 20_000 })
    const taken: number[] = []
    for (let i = 0; i < PRESSES; i++) {
      taken.push(
        await page.evaluate(
          async isDown => {
            const key = document.querySelector('[aria-label$=": AF start"][data-held]')
            const began = performance.now()
            const shown = new Promise<number>(done => {
              const watch = new MutationObserver(() => {
                watch.disconnect()
                done(performance.now() - began)
              })
              if (key) watch.observe(key, { attributes: true, attributeFilter: ['data-held'] })
              setTimeout(() => done(3000), 3000)
            })
            window.dispatchEvent(new KeyboardEvent(isDown ? 'keydown' : 'keyup', { key: 'j' }))
            return shown
          },
          i % 2 === 0,
        ),
      )
      await page.waitForTimeout(150)
    }
    console.log(
      `  from a press to the key that shows it: ${figure('drill-feedback', median(taken), 30)}, the slowest of ${PRESSES} ${Math.max(...taken).toFixed(1)} ms`,
    )
  })
}
