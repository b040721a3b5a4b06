import type { FocusResult } from '@/core/lens-tests/focus'
import type { LensTest } from '@/core/lens-tests/schema'
import type { LensTestView } from '@/server/lens-tests'
import { PlainList, Section } from '@/ui/pieces'
import { OffsetDrawing } from './OffsetDrawing'
import { Typography } from '@/ui/elements'

const mm = (n: number): string => `${Math.abs(n).toFixed(1)} mm`
const side = (n: number): string =>
  Math.abs(n) < 0.05 ? 'on the field' : `${mm(n)} ${n < 0 ? 'in front of' : 'behind'} the field`
const signed = (n: number): string => `${n > 0 ? '+' : n < 0 ? '−' : ''}${Math.abs(n)}`

const signedMm = (n: number): string => n.toFixed(1).replace('-', '−')

const headline = ({ verdict, at }: FocusResult, label: string): string => {
  switch (verdict.kind) {
    case 'leave':
      return verdict.isWithinDepth
        ? `Leave it${verdict.setting === 0 ? '' : ` at ${label} ${signed(verdict.setting)}`}: nobody will see what is left`
        : `${label} ${signed(verdict.setting)} is as near as it can be set`
    case 'try':
      return `Set ${label} to ${signed(verdict.setting)} and take ten pictures more`
    case 'set':
      return `Set ${label} to ${signed(verdict.setting)}: focus should then lie ${side(verdict.expected)}`
    case 'more':
      return `Too few pictures to tell: take about ${verdict.pictures} at ${label} ${signed(at[0]?.setting ?? 0)}`
    case 'fixed':
      return `Focus lies ${side(verdict.mean)}, and it cannot be set here: send it in, or know it`
  }
}

/** Where focus lay, what that means against the depth of field, and what to do. */
export const FocusFound = ({
  focus,
  adjustment,
  test,
}: {
  focus: FocusResult
  adjustment: LensTestView['adjustment']
  test: LensTest
}) => {
  const label = adjustment?.label ?? 'The adjustment'
  return (
    <>
      <Typography variant="h1">{headline(focus, label)}</Typography>
      <Typography sx={{ mt: 0.5, maxWidth: 'var(--line)' }}>
        Sharp at this distance{test.kind === 'focus' && ` and f/${test.fNumber}`}: {mm(focus.depth.front)} in front and{' '}
        {mm(focus.depth.behind)} behind.{' '}
        {focus.perStep !== undefined && `A step of ${label} moves focus by ${focus.perStep.toFixed(2)} mm.`}
      </Typography>
      <Section title="Every picture">
        <OffsetDrawing focus={focus} pictures={test.kind === 'focus' ? test.pictures : []} />
        <PlainList component="ul" sx={{ mt: 2, maxWidth: 'var(--line)' }}>
          {focus.at.map(a => (
            <Typography component="li" key={a.setting} sx={{ py: 0.5 }}>
              <b>
                {label} {signed(a.setting)}
              </b>
              : {side(a.mean)} on average
              {a.pictures > 1 &&
                ` (${signedMm(a.interval[0])} to ${signedMm(a.interval[1])} mm, 95 times of a hundred), ±\u00a0${a.spread.toFixed(1)} mm from picture to picture`}
              , {a.pictures} {a.pictures === 1 ? 'picture' : 'pictures'}.
            </Typography>
          ))}
        </PlainList>
      </Section>
    </>
  )
}
