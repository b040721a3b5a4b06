'use client'

import type { ComponentType } from 'react'
import { accepts, type Body } from '@/core/bodies'
import type { Dimension, Kind } from '@/core/vocabulary/dimensions'
import { kindOf } from '@/core/vocabulary/kinds'
import type { NeutralValue } from '@/core/vocabulary/values'
import { AreaEditor } from './area'
import { AreasEditor } from './areas'
import { AssignEditor } from './assign'
import { ChoiceEditor } from './choice'
import type { EditorProps } from './fields'
import { FlagEditor } from './flag'
import { MagnifyEditor } from './magnify'
import { PhysicalEditor } from './physical'
import { PositionEditor } from './position'
import { RangeEditor } from './range'
import { ScaleEditor } from './scale'
import { SizeEditor } from './size'

/** An editor for every kind of value. The compiler asks for one that is missing. */
const EDITORS: { readonly [K in Kind]: ComponentType<EditorProps<K>> } = {
  choice: ChoiceEditor,
  scale: ScaleEditor,
  physical: PhysicalEditor,
  flag: FlagEditor,
  assign: AssignEditor,
  area: AreaEditor,
  size: SizeEditor,
  position: PositionEditor,
  areas: AreasEditor,
  range: RangeEditor,
  magnify: MagnifyEditor,
}

/**
 * One value, with fields for its kind.
 *
 * @param body where the value is one of its own; left out for what a standard asks of any body
 */
export const ValueEditor = ({
  body,
  d,
  value,
  onChange,
}: {
  body?: Body
  d: Dimension
  value: NeutralValue
  onChange: (value: NeutralValue) => void
}) => {
  const Editor = EDITORS[d.kind] as ComponentType<EditorProps<Kind>>
  return <Editor body={body} d={d} value={value} onChange={onChange} />
}

/** A first value of the right kind, to be changed; on a body, a function begins on a control that takes it. */
export const startingValue = (d: Dimension, body?: Body): NeutralValue =>
  body && d.kind === 'assign'
    ? { control: (body.controls.find(c => accepts(c, d.id)) ?? body.controls[0])?.id ?? '' }
    : kindOf(d).start(d)
