import { Table, TableBody, TableCell, TableHead, TableRow } from '@mui/material'
import type { SharpnessAt, SharpnessResult } from '@/core/lens-tests/sharpness'
import { Chart } from '@/ui/Chart'
import { Section } from '@/ui/pieces'
import { Typography } from '@/ui/elements'

const f = (n: number): string => `f/${n}`

/** The whole result in a sentence or two. */
const headline = ({ best }: SharpnessResult): string => {
  if (best.whole !== undefined && best.centre !== undefined)
    return best.whole === best.centre
      ? `Sharpest at ${f(best.whole)}, in the centre and over the whole frame`
      : `Sharpest over the whole frame at ${f(best.whole)}, in the centre at ${f(best.centre)}`
  return best.centre === undefined ? 'Nothing could be told of it' : `Sharpest in the centre at ${f(best.centre)}`
}

/** How sharp a lens is over its apertures: centre, corners, and what a perfect lens would leave. */
export const ApertureResult = ({ sharpness }: { sharpness: SharpnessResult }) => {
  const { at, pixelMm, pixelsHigh, diffractionFrom, softCorner } = sharpness
  const perHeight = (cycles: number | undefined) => (cycles === undefined ? null : Math.round(cycles * pixelsHigh))
  const line = (name: string, value: (a: SharpnessAt) => number | undefined, dashed = false) => ({
    name,
    type: 'line' as const,
    symbolSize: dashed ? 0 : 8,
    data: at.map(a => perHeight(value(a))),
    ...(dashed ? { lineStyle: { type: 'dashed' as const, color: '#8a8781' }, itemStyle: { color: '#8a8781' } } : {}),
  })
  const most = Math.max(...at.flatMap(a => [perHeight(a.centre) ?? 0, perHeight(a.corners) ?? 0]))
  const top = Math.ceil((most * 1.25) / 100) * 100
  const isIdealSeen = at.some(a => (perHeight(a.ideal) ?? Infinity) <= top)
  const last = at.at(-1)
  return (
    <>
      <Typography variant="h1">{headline(sharpness)}</Typography>
      <Typography sx={{ mt: 0.5, maxWidth: 'var(--line)' }}>
        {diffractionFrom !== undefined && `From ${f(diffractionFrom)} on diffraction takes sharpness away. `}
        {softCorner &&
          `The ${softCorner.field.replace('-', ' ')} corner is ${Math.round(softCorner.share * 100)} % softer than the others wide open: the lens may be decentred, or the sheet was not parallel. Turn the camera upside down and take it once more; what goes along with the lens is the lens. `}
      </Typography>
      <Section title="Over the apertures">
        <Chart
          label={`Line pairs a picture height at half contrast: ${at.map(a => `${f(a.fNumber)} centre ${perHeight(a.centre) ?? 'none'}, corners ${perHeight(a.corners) ?? 'none'}`).join('; ')}`}
          height={320}
          option={{
            grid: { left: 60, right: 16, top: 16, bottom: 60 },
            xAxis: { type: 'category', data: at.map(a => f(a.fNumber)) },
            yAxis: {
              type: 'value',
              name: 'line pairs a picture height',
              nameLocation: 'middle',
              nameGap: 44,
              min: 0,
              max: top,
            },
            series: [
              line('centre', a => a.centre),
              line('corners, mean', a => a.corners),
              ...(isIdealSeen ? [line('perfect lens', a => a.ideal, true)] : []),
            ],
          }}
        />
        <Table
          size="small"
          sx={{ maxWidth: 'var(--line)', mt: 2, '& .MuiTableCell-root': { px: { xs: 0.75, sm: 2 } } }}
        >
          <TableHead>
            <TableRow>
              {['Aperture', 'Centre', 'Corners, mean', 'Softest field', 'Pictures'].map(h => (
                <TableCell key={h}>{h}</TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {at.map(a => (
              <TableRow key={a.fNumber}>
                <TableCell>{f(a.fNumber)}</TableCell>
                {[a.centre, a.corners, a.lowest].map((v, i) => (
                  <TableCell key={i}>
                    {v === undefined ? (
                      'not measured'
                    ) : (
                      <>
                        <b>{perHeight(v)} lp/ph</b>
                        <br />
                        {(v / pixelMm).toFixed(1)} lp/mm · {v.toFixed(3)} c/px
                      </>
                    )}
                  </TableCell>
                ))}
                <TableCell>{a.pictures}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
        {!isIdealSeen && last && (
          <Typography variant="body2" sx={{ mt: 1, maxWidth: 'var(--line)' }}>
            A perfect lens lies far above: {perHeight(last.ideal)} line pairs a picture height at {f(last.fNumber)}.
            What these pictures can show ends with their pixels; take them at full size.
          </Typography>
        )}
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1, maxWidth: 'var(--line)' }}>
          Line pairs a picture height (lp/ph), a millimetre on the sensor (lp/mm) and cycles a pixel (c/px) at which
          half of the contrast is left, by the slanted edges of ISO 12233. Sharpening in the camera raises all of them:
          compare only pictures that were made alike.
        </Typography>
      </Section>
    </>
  )
}
