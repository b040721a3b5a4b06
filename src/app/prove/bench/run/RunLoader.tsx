'use client'

import dynamic from 'next/dynamic'

/** A run goes on from what this device has kept, which no server knows: it is only made where it is tapped. */
export const RunLoader = dynamic(() => import('./RunByThumb').then(m => m.RunByThumb), { ssr: false })
