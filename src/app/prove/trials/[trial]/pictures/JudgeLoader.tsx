'use client'

import dynamic from 'next/dynamic'

/** The pictures and what was judged are on this device, which no server knows. */
export const JudgeLoader = dynamic(() => import('./JudgePictures').then(m => m.JudgePictures), { ssr: false })
