import { counted, percent } from '../vocabulary/words'
import { type Share, wilson } from '../evidence/shares'
import type { Audit, UnitAudit } from './audit'
import type { Difference } from './runs'

/** What a debrief should talk about: a few findings, each with its evidence and the one change to consider. */

export interface Finding {
  readonly title: string
  readonly evidence: string
  readonly change: string
  /** The unit whose card or life it leads to, where it is about one. */
  readonly unit: string | undefined
  readonly setting: string | undefined
  readonly does: 'card' | 'standard' | 'evidence' | 'optics' | 'controls' | 'trial' | 'clock'
}

/** What things are called. */
export interface AuditNames {
  readonly unit: (id: string) => string
  readonly setting: (unit: string, id: string) => string
  readonly option: (unit: string, setting: string, id: string) => string
  readonly scene: (index: number) => string
  readonly time: (at: string) => string
}

interface Weighed {
  readonly weight: number
  readonly finding: Finding
}

export const MOST_FINDINGS = 5

/** A share is worth a finding from here, where enough pictures tell. @source from memory */
const SHARE_THAT_MATTERS = 0.2
const ENOUGH = 30
/** A minute at a stretch, as thumb load has it. @source common practice, no published source */
const LONG_HOLD_SECONDS = 60

/** The findings that weigh most, the heaviest first. */
export const findingsOf = (audit: Audit, names: AuditNames): readonly Finding[] =>
  [
    ...driftFindings(audit, names),
    ...passingFindings(audit, names),
    ...exposureFindings(audit, names),
    ...audit.units.flatMap(u => [...holdFindings(u, names), ...silentFindings(u, names), ...keeperFindings(u, names)]),
    ...leftOutFindings(audit),
  ]
    .toSorted((a, b) => b.weight - a.weight)
    .slice(0, MOST_FINDINGS)
    .map(f => f.finding)

const sayOf = (d: Difference, n: AuditNames) => ({
  unit: n.unit(d.unit),
  setting: n.setting(d.unit, d.setting),
  seen: n.option(d.unit, d.setting, d.seen),
  wanted: n.option(d.unit, d.setting, d.wanted),
  scene: d.scenes.map(n.scene).join(', '),
})

/** One finding for each unit that was still otherwise at its last picture: of all its settings, the one most pictures show. */
const driftFindings = ({ differences }: Audit, n: AuditNames): readonly Weighed[] => {
  const still = differences.filter(d => d.isStill)
  return [...new Set(still.map(d => d.unit))].map(unit => {
    const own = still.filter(d => d.unit === unit)
    const [first] = own as [Difference, ...Difference[]]
    const says = sayOf(first, n)
    const more = new Set(own.map(d => d.setting)).size - 1
    const rest = more > 0 ? ` ${counted(more, 'more setting', 'more settings')} with it.` : ''
    return {
      weight: 1000 + first.pictures,
      finding: {
        title: `${says.unit} drifted: ${says.setting} says ${says.seen}, not ${says.wanted}`,
        evidence: `${says.scene}: since ${n.time(first.since)} (${first.sinceFile}), in ${first.pictures} of ${counted(first.of, 'picture', 'pictures')}, to the last.${rest}`,
        change: `Walk the card of ${says.unit} before it goes out again; ask who changed it, and why.`,
        unit,
        setting: first.setting,
        does: 'card',
      },
    }
  })
}

/** What was set otherwise for a while and came back was wanted by somebody. */
const passingFindings = ({ differences }: Audit, n: AuditNames): readonly Weighed[] =>
  differences
    .filter(d => !d.isStill && d.pictures / d.of >= SHARE_THAT_MATTERS && d.of >= ENOUGH)
    .map(d => {
      const says = sayOf(d, n)
      return {
        weight: 400 + d.pictures,
        finding: {
          title: `${says.unit} was set otherwise for a while: ${says.setting} at ${says.seen}`,
          evidence: `${says.scene}: ${d.pictures} of ${counted(d.of, 'picture', 'pictures')} (${percent(d.pictures / d.of)}), first at ${n.time(d.since)} (${d.sinceFile}); it was put back.`,
          change: `If that was right for this scene, the standard should say so in a layer of its own, within reach of a key or a memory slot.`,
          unit: d.unit,
          setting: d.setting,
          does: 'standard',
        },
      }
    })

/** What was exposed for too long, over all cameras. */
const exposureFindings = ({ units }: Audit, n: AuditNames): readonly Weighed[] => {
  const found: Weighed[] = []
  const shareWords = (s: Share) => {
    const { low, high } = wilson(s)
    return `${s.kept} of ${s.of} pictures (${percent(s.kept / s.of)}; of such a day between ${percent(low)} and ${percent(high)})`
  }
  const much = (shareOf: (u: UnitAudit) => Share) => {
    const own = units.filter(u => isMuch(shareOf(u)))
    const all = own.map(shareOf)
    const share = { kept: all.reduce((k, s) => k + s.kept, 0), of: all.reduce((k, s) => k + s.of, 0) }
    return own.length > 0 ? { share, who: own.map(u => n.unit(u.unit)).join(' and '), unit: own[0]?.unit } : undefined
  }
  const [shaky, moved] = [much(u => u.used.shaky), much(u => u.used.moved)]
  if (shaky)
    found.push({
      weight: 300 + 100 * (shaky.share.kept / shaky.share.of),
      finding: {
        title: `${shaky.who} often took longer than a hand holds still`,
        evidence: `${shareWords(shaky.share)} took longer than one over focal length times crop; stabilisation is not counted.`,
        change: 'Soft pictures among these are no fault of focus: a shorter time first, then the settings.',
        unit: shaky.unit,
        setting: undefined,
        does: 'optics',
      },
    })
  if (moved)
    found.push({
      weight: 320 + 100 * (moved.share.kept / moved.share.of),
      finding: {
        title: `The subject moved too far while ${moved.who} took the picture`,
        evidence: `${shareWords(moved.share)} blurred it by more than the circle of confusion, as the scene says it moves and where the camera did not go with it.`,
        change: 'A shorter time for this scene, on the card; no setting of focus mends this.',
        unit: moved.unit,
        setting: undefined,
        does: 'optics',
      },
    })
  return found
}

const isMuch = (s: Share): boolean => s.of >= ENOUGH && s.kept / s.of >= SHARE_THAT_MATTERS

const holdFindings = ({ unit, followed }: UnitAudit, n: AuditNames): readonly Weighed[] =>
  followed && followed.longestFollowSeconds > LONG_HOLD_SECONDS
    ? [
        {
          weight: 350,
          finding: {
            title: `${n.unit(unit)} followed for ${Math.round(followed.longestFollowSeconds)} s at a stretch`,
            evidence: `${counted(followed.bursts, 'burst', 'bursts')}, in the middle ${followed.usualSeconds.toFixed(1)} s; ${percent(followed.shootingShare)} of the session was shooting, ${percent(followed.followingShare)} of that following.`,
            change: 'A deserved rest for the thumb: see which school would hold less, with these shares.',
            unit,
            setting: undefined,
            does: 'controls',
          },
        },
      ]
    : []

const silentFindings = ({ unit, told, untold, torn, pictures }: UnitAudit, n: AuditNames): readonly Weighed[] => {
  const [tornSetting] = Object.keys(torn)
  if (tornSetting !== undefined)
    return [
      {
        weight: 250,
        finding: {
          title: `Pictures of ${n.unit(unit)} say two things at once of ${n.setting(unit, tornSetting)}`,
          evidence: `${counted(torn[tornSetting] ?? 0, 'picture', 'pictures')} fit the evidence of more than one option; nothing of it was believed.`,
          change: 'Look at what its fields say, and author that evidence anew.',
          unit,
          setting: tornSetting,
          does: 'evidence',
        },
      },
    ]
  if (untold.length === 0) return []
  const some = untold.slice(0, 3).map(s => n.setting(unit, s))
  return [
    {
      weight: told.length === 0 ? 240 : 60,
      finding: {
        title:
          told.length === 0
            ? `What ${n.unit(unit)} was set to cannot be read from its pictures`
            : `${counted(untold.length, 'setting', 'settings')} of ${n.unit(unit)} cannot be read from its pictures`,
        evidence: `${counted(pictures, 'picture', 'pictures')}; nothing says which field tells of ${some.join(', ')}${untold.length > some.length ? ' and more' : ''}.`,
        change: 'Pictures taken with two options, three of each, find the field.',
        unit,
        setting: untold[0],
        does: 'evidence',
      },
    },
  ]
}

const keeperFindings = ({ unit, kept }: UnitAudit, n: AuditNames): readonly Weighed[] =>
  kept.flatMap((k): Weighed[] => {
    const [a, b] = k.options
    if (!k.difference || !a || !b || (k.difference.low <= 0 && k.difference.high >= 0)) return []
    const isFirst = k.difference.is > 0
    const [more, less] = isFirst ? [a, b] : [b, a]
    const words = (x: typeof a) => `${n.option(unit, k.setting, x.option)}: ${x.share.kept} of ${x.share.of}`
    const [low, high] = isFirst ? [k.difference.low, k.difference.high] : [-k.difference.high, -k.difference.low]
    return [
      {
        weight: 200 + 100 * Math.abs(k.difference.is),
        finding: {
          title: `More was kept with ${n.setting(unit, k.setting)} at ${n.option(unit, k.setting, more.option)} on ${n.unit(unit)}`,
          evidence: `${words(more)} against ${words(less)}, between ${Math.round(low * 100)} and ${Math.round(high * 100)} of 100 more. This was no trial: whoever set it chose when.`,
          change: 'Worth a fair trial before it changes the standard.',
          unit,
          setting: k.setting,
          does: 'trial',
        },
      },
    ]
  })

const leftOutFindings = ({ leftOut, pictures }: Audit): readonly Weighed[] =>
  leftOut.flatMap(({ why, pictures: n, example }): Weighed[] => {
    if ((why !== 'in-the-future' && why !== 'no-time') || n < pictures / 20) return []
    return [
      {
        weight: 260,
        finding: {
          title: why === 'no-time' ? 'Pictures without a time tell nothing' : 'A camera’s clock runs ahead',
          evidence: `${counted(n, 'picture', 'pictures')}, ${example} among them.`,
          change: 'Photograph the clock page with every camera before the next job.',
          unit: undefined,
          setting: undefined,
          does: 'clock',
        },
      },
    ]
  })
