'use client'

import dynamic from 'next/dynamic'

/** Own scenes are on this device, and everything is reckoned there. */
export const RehearsalLoader = dynamic(() => import('./Rehearsal').then(m => m.Rehearsal), { ssr: false })
