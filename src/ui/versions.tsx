import { Typography } from './elements'

/** How far a version of a standard has come, in words. */
export const STATE_WORDS: Readonly<Record<string, string>> = {
  draft: 'a draft',
  'in-review': 'in review',
  approved: 'approved',
  retired: 'retired',
}

/** Which version this is, and how far it has come. */
export const VersionMark = ({ version, state }: { version: number; state: string }) => (
  <Typography variant="value" component="span" color={state === 'approved' ? 'success' : 'textSecondary'}>
    version {version} · {STATE_WORDS[state] ?? state}
  </Typography>
)
