'use client'

import type { ComponentType } from 'react'
import type { QuestionId } from '@/core/optics/answers/answer'
import { later } from '@/ui/later'

/** What a question shows besides its verdict and figures, and what it is asked with; each in a script of its own. */
export const MORE: Readonly<Partial<Record<QuestionId, ComponentType>>> = {
  depth: later(() => import('./DepthMore').then(m => m.DepthMore)),
  recompose: later(() => import('./RecomposeMore').then(m => m.RecomposeMore)),
  area: later(() => import('./AreaMore').then(m => m.AreaMore)),
  limiter: later(() => import('./LimiterMore').then(m => m.LimiterMore)),
  framing: later(() => import('./FramingMore').then(m => m.FramingMore)),
  crop: later(() => import('./CropMore').then(m => m.CropMore)),
  shutter: later(() => import('./ShutterMore').then(m => m.ShutterMore)),
  miss: later(() => import('./MissMore').then(m => m.MissMore)),
  light: later(() => import('./LightMore').then(m => m.LightMore)),
  air: later(() => import('./AirMore').then(m => m.AirMore)),
}
