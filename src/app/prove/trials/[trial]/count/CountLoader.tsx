'use client'

import dynamic from 'next/dynamic'

/** What was counted is on this device, which no server knows: the page is only made where it is tapped. */
export const CountLoader = dynamic(() => import('./CountPasses').then(m => m.CountPasses), { ssr: false })
