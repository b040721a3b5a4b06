'use client'

import { useId } from 'react'
import { styled } from '@mui/material/styles'
import { pixelWords } from '@/core/optics/words'
import { Typography } from '../elements'

const Pair = styled('div')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '1fr 1fr',
  gap: theme.spacing(2),
  maxWidth: 420,
  '& svg': {
    display: 'block',
    width: '100%',
    borderRadius: theme.shape.borderRadius,
    background: theme.vars?.palette.own.marigold.wash,
  },
  '& .white': { fill: theme.vars?.palette.background.paper },
  '& .iris': { fill: theme.vars?.palette.own.grade.near },
  '& .ray': { stroke: theme.vars?.palette.own.ribbon.main, strokeWidth: 1.6 },
  '& .pupil': { fill: theme.vars?.palette.own.ribbon.main },
  '& .lash': { stroke: theme.vars?.palette.own.line, strokeWidth: 2.5, fill: 'none' },
}))

const WIDTH = 200

/** An eye as somebody sees it at full size on a screen; drawn, so that nobody's picture is needed. */
const Eye = () => (
  <>
    <path d="M14 62C50 12 150 12 186 62 150 108 50 108 14 62Z" className="white" />
    <circle cx={100} cy={60} r={32} className="iris" />
    {Array.from({ length: 24 }, (_, i) => (
      <path key={i} d="M100 60V31" className="ray" transform={`rotate(${i * 15} 100 60)`} />
    ))}
    <circle cx={100} cy={60} r={14} className="pupil" />
    <circle cx={112} cy={48} r={5} className="white" />
    <path d="M14 62C50 12 150 12 186 62" className="lash" />
    {[30, 52, 76, 100, 124, 148, 170].map((x, i) => (
      <path key={x} d={`M${x} ${34 - 9 * Math.sin(((i + 0.6) / 7) * Math.PI)}l${(x - 100) / 9} -14`} className="lash" />
    ))}
  </>
)

/**
 * An eye that is missed beside one that is not, at the size that the blur really has against it.
 *
 * @param blur diameter of the blur over the width of the eye
 */
export const BlurredEye = ({
  blur,
  blurPixels,
  eyePixels,
}: {
  blur: number
  blurPixels: number
  eyePixels: number
}) => {
  const id = useId()
  // A Gaussian of the same spread as the disc: its standard deviation is a quarter of the diameter.
  const deviation = Math.min(60, (blur * (WIDTH - 28)) / 4)
  return (
    <Pair
      role="img"
      aria-label={`An eye ${pixelWords(eyePixels)} wide, sharp, and with ${pixelWords(blurPixels)} of blur`}
    >
      <div>
        <svg viewBox={`0 0 ${WIDTH} 120`} aria-hidden>
          <Eye />
        </svg>
        <Typography variant="body2">in focus</Typography>
      </div>
      <div>
        <svg viewBox={`0 0 ${WIDTH} 120`} aria-hidden>
          <defs>
            <filter id={id} x="-50%" y="-50%" width="200%" height="200%">
              <feGaussianBlur stdDeviation={deviation} />
            </filter>
          </defs>
          <g filter={`url(#${id})`}>
            <Eye />
          </g>
        </svg>
        <Typography variant="body2">{pixelWords(blurPixels)} of blur</Typography>
      </div>
    </Pair>
  )
}
