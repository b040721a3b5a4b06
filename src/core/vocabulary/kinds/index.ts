import type { Dimension, Kind } from '../dimensions'
import { area } from './area'
import { areas } from './areas'
import { assign } from './assign'
import { choice } from './choice'
import { flag } from './flag'
import type { ValueKind } from './kind'
import { magnify } from './magnify'
import { physical } from './physical'
import { position } from './position'
import { range } from './range'
import { scale } from './scale'
import { size } from './size'

/** Every kind of value. The compiler asks for one that is missing. */
const KINDS: { readonly [K in Kind]: ValueKind<K> } = {
  choice,
  scale,
  physical,
  flag,
  assign,
  area,
  size,
  position,
  areas,
  range,
  magnify,
}

/** What is known of the values of a dimension. */
export const kindOf = (d: Dimension): ValueKind<Kind> => KINDS[d.kind] as unknown as ValueKind<Kind>
