/** The practitioners' own order. A stage is shown once it has a view. */
export interface Stage {
  readonly key: string
  readonly label: string
  readonly views: readonly { readonly label: string; readonly path: string }[]
}

export const STAGES: readonly Stage[] = [
  {
    key: 'n',
    label: 'Name',
    views: [
      { label: 'Phrasebook', path: '/name/phrasebook' },
      { label: 'Bodies', path: '/name/bodies' },
      { label: 'Lenses', path: '/name/lenses' },
    ],
  },
  {
    key: 'd',
    label: 'Decide',
    views: [
      { label: 'Standards', path: '/decide/standards' },
      { label: 'Concordance', path: '/decide/concordance' },
      { label: 'Optics desk', path: '/decide/optics' },
      { label: 'Compare', path: '/decide/compare' },
      { label: 'Reasoning', path: '/decide/guide' },
    ],
  },
  {
    key: 's',
    label: 'Set',
    views: [
      { label: 'Cards', path: '/set/cards' },
      { label: 'Controls', path: '/set/controls' },
    ],
  },
  {
    key: 'p',
    label: 'Prove',
    views: [
      { label: 'Bench', path: '/prove/bench' },
      { label: 'Trials', path: '/prove/trials' },
      { label: 'Audit', path: '/prove/audit' },
    ],
  },
  {
    key: 'r',
    label: 'Practise',
    views: [
      { label: 'Rehearsal', path: '/practise/rehearsal' },
      { label: 'Drills', path: '/practise/drills' },
      { label: 'Class', path: '/practise/class' },
    ],
  },
  {
    key: 'w',
    label: 'Work',
    views: [
      { label: 'Jobs', path: '/work/jobs' },
      { label: 'Now', path: '/work/now' },
      { label: 'Rescues', path: '/work/rescues' },
      { label: 'Film', path: '/work/film' },
    ],
  },
  {
    key: 'k',
    label: 'Keep',
    views: [
      { label: 'Readiness', path: '/keep/readiness' },
      { label: 'Kit', path: '/keep/kit' },
    ],
  },
]
