import { type Facts, factsOf } from '../guide/facts'
import { answersOn } from '../guide/guide'
import type { Answers } from '../guide/questions'
import { readSentence } from '../guide/sentence'
import type { Standard, Target } from '../standards'
import { type Scene, sentenceFor } from './job'

/** A scene for which no standard is named: the guide reads it as it would a sentence. */

const LIGHT: Readonly<Record<string, readonly string[]>> = {
  day: ['even'],
  'back-lit': ['back'],
  low: ['dark'],
  dark: ['dark'],
  stage: ['spot'],
}

/** Scenes are read again with every look at their day, and most of them say the same. */
const MOST_READ = 1000
const read = new Map<string, Answers>()
const readOnce = (sentence: string): Answers => {
  const answers = read.get(sentence) ?? readSentence(sentence).answers
  if (read.size >= MOST_READ) read.clear()
  read.set(sentence, answers)
  return answers
}

/** What the guide is told of a scene: its words, its light, and its distances. */
const answersFor = (scene: Scene): Answers => {
  const answers = readOnce(sentenceFor(scene))
  return {
    ...answers,
    ...(scene.light === undefined ? {} : { light: LIGHT[scene.light] ?? [] }),
    ...(scene.near === undefined ? {} : { nearest: scene.near }),
    ...(scene.far === undefined ? {} : { farthest: scene.far }),
    ...(scene.covers.length > 0 && scene.covers.every(c => c.remote) ? { support: 'remote' } : {}),
  }
}

/** What is known of a scene by then, as far as it matters for what may go wrong there. */
export const toldOf = (scene: Scene): Facts => factsOf(answersFor(scene))

/** What the guide would write for a scene: its first proposal on every topic. It is no standard of the house. */
export const guidedStandard = (scene: Scene): Standard => {
  const targets = new Map<string, Target>()
  for (const topic of answersOn(answersFor(scene)))
    // Of two topics that write the same, the later one knew of the earlier.
    for (const target of topic.proposals[0].targets) targets.set(target.dimension, target)
  return {
    format: 'coherion.standard/1',
    id: `scene-${scene.id}`.slice(0, 60),
    name: scene.name.slice(0, 80),
    about: 'As the guide answers this scene.',
    version: 1,
    layers: [{ id: 'guide', name: 'As the guide answers', kind: 'work', targets: [...targets.values()] }],
  }
}
