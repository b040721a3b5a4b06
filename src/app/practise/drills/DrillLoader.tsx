'use client'

import dynamic from 'next/dynamic'
import type { DrillId } from '@/core/drills/drills'
import type { DrillHand } from '@/server/drills'

const HoldDrill = dynamic(() => import('./HoldDrill').then(m => m.HoldDrill), { ssr: false })
const QuestionDrill = dynamic(() => import('./QuestionDrill').then(m => m.QuestionDrill), { ssr: false })
const RecomposeDrill = dynamic(() => import('./RecomposeDrill').then(m => m.RecomposeDrill), { ssr: false })
const TrackDrill = dynamic(() => import('./TrackDrill').then(m => m.TrackDrill), { ssr: false })
const RaceDrill = dynamic(() => import('./RaceDrill').then(m => m.RaceDrill), { ssr: false })

/** Each drill comes in a script of its own; what it measures is measured on the device. */
export const DrillLoader = ({ drill, hand }: { drill: DrillId; hand: DrillHand }) => {
  switch (drill) {
    case 'hold':
      return <HoldDrill hand={hand} />
    case 'which-key':
    case 'called':
      return <QuestionDrill about={drill} hand={hand} />
    case 'recompose':
      return <RecomposeDrill hand={hand} />
    case 'track':
      return <TrackDrill hand={hand} />
    case 'race':
      return <RaceDrill hand={hand} />
  }
}
