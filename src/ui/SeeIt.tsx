import { TallLink } from './links'
import { Typography } from './elements'

/** Scenes in which a target shows what it does, and the settings that are turned around it. */
const SEEN: Readonly<Record<string, { readonly passage: string; readonly across: string; readonly down: string }>> = {
  'track.hold': { passage: 'clown-in-crowd', across: 'hold', down: 'response' },
  'track.response': { passage: 'silks-drop', across: 'response', down: 'hold' },
  'area.pattern': { passage: 'rope-walker', across: 'area', down: 'hold' },
  'area.size': { passage: 'rope-walker', across: 'area', down: 'hold' },
  'subject.class': { passage: 'curtain-call', across: 'area', down: 'hold' },
  'trigger.start': { passage: 'club-passing', across: 'hold', down: 'response' },
  'trigger.shutter': { passage: 'club-passing', across: 'hold', down: 'response' },
  'release.next': { passage: 'tumbling-pass', across: 'response', down: 'area' },
}

/** Leads from a dimension to a passage in which it can be seen; nothing where no scene shows it. */
export const SeeIt = ({ dimensionId, more }: { dimensionId: string; more: Readonly<Record<string, string>> }) => {
  const seen = SEEN[dimensionId]
  return (
    seen && (
      <Typography variant="body2">
        <TallLink to="/practise/rehearsal" more={{ ...seen, ...more }}>
          See it in a rehearsal
        </TallLink>
      </Typography>
    )
  )
}
