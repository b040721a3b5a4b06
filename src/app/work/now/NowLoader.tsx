'use client'

import dynamic from 'next/dynamic'

/** What time it is, and what happened here meanwhile, only this device knows: the page is made where it is held. */
export const NowLoader = dynamic(() => import('./Now').then(m => m.Now), { ssr: false })
