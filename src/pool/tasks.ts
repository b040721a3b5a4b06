import type { cardSheets } from './paper/card-paper'
import type { auditSheet } from './paper/audit-sheet'
import type { callSheets } from './paper/call-sheet'
import type { classHandout } from './paper/class-handout'
import type { ringStrip } from './paper/ring-strip'
import type { targetSheet } from './paper/target-sheet'
import type { standardSheet } from './paper/standard-sheet'
import { audited, auditSent } from './audits'
import { jobFits } from './job-fits'
import { jobCalendar, jobDebrief, jobNeeds, scenesSent } from './jobs'
import { known, overruler } from './lives'
import { measured } from './measured'
import { explanation, jobRoughly, jobWalks, resolution, slots, walk } from './reckon'
import {
  bundle,
  draft,
  isContradictory,
  json,
  levelRequest,
  newBody,
  proposals,
  resolveRequest,
  standard,
} from './sent'
import { readSheet, writeXlsx } from './sheets'
import { bundleText, dictionary, friends, questions } from './words'

// What draws or opens databases is large, and most workers never do.
const lazily = {
  backup: async ({ folder, at }: { readonly folder: string; readonly at: string }) =>
    (await import('@/db/backups')).backUpByRule(folder, at),
  cardSheets: async (input: Parameters<typeof cardSheets>[0]) => (await import('./paper/card-paper')).cardSheets(input),
  standardSheet: async (input: Parameters<typeof standardSheet>[0]) =>
    (await import('./paper/standard-sheet')).standardSheet(input),
  auditSheet: async (input: Parameters<typeof auditSheet>[0]) =>
    (await import('./paper/audit-sheet')).auditSheet(input),
  classHandout: async (input: Parameters<typeof classHandout>[0]) =>
    (await import('./paper/class-handout')).classHandout(input),
  callSheets: async (input: Parameters<typeof callSheets>[0]) => (await import('./paper/call-sheet')).callSheets(input),
  ringStrip: async (input: Parameters<typeof ringStrip>[0]) => (await import('./paper/ring-strip')).ringStrip(input),
  targetSheet: async (input: Parameters<typeof targetSheet>[0]) =>
    (await import('./paper/target-sheet')).targetSheet(input),
}

/** All that runs in a worker of the pool, by the name it is asked for; what a task is given and gives can be cloned. */
export const TASKS = {
  resolution,
  walk,
  slots,
  jobFits,
  jobWalks,
  jobRoughly,
  known,
  overruler,
  explanation,
  measured,
  json,
  bundle,
  draft,
  isContradictory,
  standard,
  newBody,
  proposals,
  resolveRequest,
  levelRequest,
  readSheet,
  writeXlsx,
  friends,
  dictionary,
  questions,
  bundleText,
  auditSent,
  scenesSent,
  jobNeeds,
  jobCalendar,
  jobDebrief,
  audited,
  ...lazily,
} as const

export type Tasks = typeof TASKS
export type TaskName = keyof Tasks
