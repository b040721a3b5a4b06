import type { Body, Pin, Setting } from './schema'

/** Options that are set although no target can ask for them, since nothing in the vocabulary speaks of their setting. */

/** Whether a setting can be pinned: what says something is asked for by targets, and never pinned past them. */
export const isPinnable = (setting: Setting): boolean =>
  setting.options.length > 1 && setting.options.every(o => Object.keys(o.means).length === 0)

/** The pin of one setting in place of what it had; without one, it goes. */
export const withPin = (body: Body, settingId: string, pin: Omit<Pin, 'setting'> | undefined): Body => {
  const { pins = [], ...rest } = body
  const others = pins.filter(p => p.setting !== settingId)
  const all = pin ? [...others, { setting: settingId, ...pin }] : others
  return all.length ? { ...rest, pins: all } : rest
}
