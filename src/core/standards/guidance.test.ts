import { expect, it } from 'vitest'
import { emptyStandard } from './edit'
import { guidanceOf, onPaper, withAdvice, withoutGuidance, withRescue } from './guidance'
import { parseStandard } from './schema'
import { compareLayers } from './compare'

const draft = emptyStandard({ id: 'made', name: 'Made', about: 'For a test.' }, 'work', undefined)
const advice = { id: 'side-on', title: 'Side-on', text: 'Parallel to the sensor.', source: 'practice' }
const rescue = {
  id: 'crossed',
  symptom: 'Gone',
  remedies: [{ text: 'Longer.', dimension: 'track.hold' }],
  source: 'practice',
}

it('is kept in its layer, once each, and can be taken out again', () => {
  const kept = withRescue(
    withAdvice(withAdvice(draft, 'made', advice), 'made', { ...advice, text: 'Flat.' }),
    'made',
    rescue,
  )
  expect(guidanceOf(kept)).toEqual({ advice: [{ ...advice, text: 'Flat.' }], rescues: [rescue] })
  expect(parseStandard(kept, 'made')).toMatchObject({ ok: true, value: kept })
  expect(withoutGuidance(withoutGuidance(kept, 'made', 'side-on'), 'made', 'crossed')).toEqual(draft)
  expect(compareLayers(draft, kept)).toEqual(['Layer “Made” says something else about how to shoot and about rescues.'])
})

it('comes from every layer that counts, the upper one first where both speak', () => {
  const two = {
    ...draft,
    layers: [
      ...withAdvice(draft, 'made', advice).layers,
      {
        id: 'rain',
        name: 'Rain',
        kind: 'scene' as const,
        applies: { scenes: ['rain'] },
        targets: [],
        advice: [{ ...advice, text: 'Wet.' }],
      },
    ],
  }
  expect(guidanceOf(two).advice.map(a => a.text)).toEqual(['Parallel to the sensor.'])
  expect(guidanceOf(two, { scenes: ['rain'] }).advice.map(a => a.text)).toEqual(['Wet.'])
})

it('goes onto paper as far as anybody reads it, and says how much is left', () => {
  const many = Array.from({ length: 60 }, (_, i) => ({ ...advice, id: `a${i}` }))
  const { advice: shown, more } = onPaper({ advice: many, rescues: [rescue] })
  expect([shown.length, more]).toEqual([24, '36 more; see the standard.'])
  expect(onPaper({ advice: [advice], rescues: [rescue] }).more).toBeUndefined()
})
