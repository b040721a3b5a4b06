import type { TaskName } from './tasks'

/**
 * What a task may take. What a page waits for has threads of its own, so that files that are read, fleets that are
 * levelled and sheets that are drawn never hold it up.
 */
export interface Limit {
  readonly lane: Lane
  readonly seconds: number
}

export const LANES = ['page', 'file'] as const
export type Lane = (typeof LANES)[number]

const page = (seconds: number): Limit => ({ lane: 'page', seconds })
const file = (seconds: number): Limit => ({ lane: 'file', seconds })

export const LIMITS: Readonly<Record<TaskName, Limit>> = {
  resolution: page(10),
  walk: page(15),
  slots: page(20),
  jobFits: page(30),
  jobWalks: page(60),
  jobRoughly: page(30),
  known: page(20),
  overruler: page(20),
  explanation: page(20),
  measured: page(10),
  friends: page(20),
  dictionary: page(10),
  questions: page(10),
  isContradictory: page(10),
  draft: page(10),
  json: file(10),
  bundle: file(60),
  standard: file(10),
  newBody: file(15),
  proposals: file(20),
  resolveRequest: file(60),
  levelRequest: file(90),
  readSheet: file(20),
  writeXlsx: file(20),
  bundleText: file(20),
  backup: file(300),
  scenesSent: file(20),
  jobNeeds: page(30),
  jobCalendar: file(30),
  jobDebrief: page(30),
  callSheets: file(60),
  ringStrip: file(30),
  auditSent: file(20),
  audited: file(30),
  cardSheets: file(120),
  standardSheet: file(30),
  targetSheet: file(30),
  auditSheet: file(30),
  classHandout: file(30),
}

/** Memory of one worker; a task that needs more ends, and nothing else. */
export const MOST_MEGABYTES = 768
/** Tasks that may wait: of one browser, of all behind one address, and of all together. */
export const MOST_WAITING = { browser: 2000, address: 4000, all: 6000 }
