import type { Body, Evidence } from './schema'

/** What pictures tell of a setting, in place of what they told of it before; without any, they tell nothing of it. */
export const withEvidence = (body: Body, settingId: string, told: readonly Omit<Evidence, 'setting'>[]): Body => {
  const { evidence = [], ...rest } = body
  const all = [...evidence.filter(e => e.setting !== settingId), ...told.map(e => ({ setting: settingId, ...e }))]
  return all.length ? { ...rest, evidence: all } : rest
}

/** Every field that tells something on any of these bodies: what is to be read of a picture besides the ordinary. */
export const fieldsThatTell = (bodies: readonly Pick<Body, 'evidence'>[]): readonly string[] => [
  ...new Set(bodies.flatMap(b => (b.evidence ?? []).map(e => e.field))),
]
