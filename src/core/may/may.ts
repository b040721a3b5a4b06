/** Who may do what. Every change of the house asks here, and nowhere else is it decided. */

/** What can be done in the house, in words that finish “may …”. */
export const DEEDS = {
  'edit-bodies': 'write camera bodies',
  'edit-lenses': 'write lenses',
  'edit-kit': 'write units and who carries them',
  'tell-units': 'say what a unit is set to and what happened to it',
  'sign-cards': 'sign that a unit is set',
  'edit-standards': 'write drafts of standards',
  'approve-standards': 'approve standards and retire them',
  comment: 'talk about standards',
  'edit-guide': 'write what the house makes of the guide',
  'edit-house': 'decide what holds for the whole house',
  prove: 'plan trials, count them and audit pictures',
  practise: 'try drills and count for a class',
  teach: 'write courses, lead classes and pass students',
  'plan-jobs': 'plan jobs and say what happens on the day',
  'add-people': 'add people',
} as const
export type Deed = keyof typeof DEEDS

/** Whoever asks; `person` is undefined where nobody has said who they are. */
export interface Asker {
  readonly person: string | undefined
}

/** Why somebody may not, in words for whoever asked. */
export interface Refused {
  /** `needs-name`: anybody may who says who they are. `not-signed-in`, `not-allowed`: some people may. */
  readonly kind: 'needs-name' | 'not-signed-in' | 'not-allowed'
  readonly title: string
  readonly words: string
}

/** What stays for good under somebody's name, and so cannot be done without one. */
const NEEDS_NAME: Partial<Record<Deed, Omit<Refused, 'kind'>>> = {
  'sign-cards': {
    title: 'Who signs?',
    words: 'Say who you are at the top of the page; a signature needs a name.',
  },
  'approve-standards': {
    title: 'Who approves?',
    words: 'Say who you are at the top of the page; an approval needs a name that answers for it.',
  },
  practise: {
    title: 'Whose try was that?',
    words: 'Say who you are at the top of the page; what is practised is kept under a name.',
  },
  teach: {
    title: 'Who teaches?',
    words: 'Say who you are at the top of the page; a class goes by its teacher’s word.',
  },
}

/**
 * Whether somebody may do something. Everybody may do everything, as long as they say who they are where that is needed.
 *
 * @example
 *   mayNot({ person: undefined }, 'sign-cards')?.title // 'Who signs?'
 *   mayNot({ person: 'imelda-frost' }, 'sign-cards') // undefined: she may
 *
 * @returns why not; undefined where they may
 */
export const mayNot = ({ person }: Asker, deed: Deed): Refused | undefined => {
  const needed = NEEDS_NAME[deed]
  return needed && person === undefined ? { kind: 'needs-name', ...needed } : undefined
}
