'use client'

import { Box, Checkbox, FormControlLabel, MenuItem, TextField } from '@mui/material'
import { useState } from 'react'
import { accepts, type Body } from '@/core/bodies'
import { type Dimension, isSigned } from '@/core/vocabulary/dimensions'
import { PLACE_IDS, PLACES } from '@/core/vocabulary/places'
import { typicalArea } from '@/core/vocabulary/typical'
import {
  type Area,
  CHOOSERS,
  type ControlAssignment,
  DETAILS,
  FOLLOWS,
  type FocusRange,
  type Magnify,
  type NeutralValue,
  PATTERNS,
  type PlaceAssignment,
  type Position,
  type Size,
} from '@/core/vocabulary/values'

/** One value, with fields for its kind. */

const spaced = (id: string) => id.replaceAll('-', ' ')
const NONE = ''

const Select = ({
  label,
  value,
  options,
  onChange,
  optional,
}: {
  label: string
  value: string
  options: readonly { readonly id: string; readonly label: string }[]
  onChange: (id: string) => void
  optional?: string
}) => (
  <TextField
    select
    size="small"
    label={label}
    value={value}
    onChange={e => onChange(e.target.value)}
    sx={{ minWidth: 140, flex: 1 }}
  >
    {optional !== undefined && <MenuItem value={NONE}>{optional}</MenuItem>}
    {options.map(o => (
      <MenuItem key={o.id} value={o.id}>
        {o.label}
      </MenuItem>
    ))}
  </TextField>
)

const choices = (ids: readonly string[]) => ids.map(id => ({ id, label: spaced(id) }))

/** A number that is taken over once it is one; until then it says what is expected. */
export const NumberField = ({
  label,
  value,
  onChange,
  unit = '',
  scale = 1,
  also = [],
  min,
}: {
  label: string
  value: number | string
  onChange: (value: number | string) => void
  unit?: string
  /** What is shown is this many times what is stored. */
  scale?: number
  /** Words that are accepted as well. */
  also?: readonly string[]
  min?: number
}) => {
  const shown = typeof value === 'number' ? String(Number((value * scale).toFixed(4))) : value
  const [text, setText] = useState(shown)
  const [seen, setSeen] = useState(shown)
  if (seen !== shown) {
    setSeen(shown)
    setText(shown)
  }
  const typed = text.trim().replace(',', '.')
  const number = typed === '' ? NaN : Number(typed) / scale
  const isNumber = Number.isFinite(number) && (min === undefined || number >= min)
  const isRight = isNumber || also.includes(typed)
  return (
    <TextField
      size="small"
      label={unit ? `${label}, ${unit}` : label}
      value={text}
      error={!isRight}
      helperText={isRight ? '' : `expected a number${also.length ? `, or ${also.join(' or ')}` : ''}`}
      onChange={e => setText(e.target.value)}
      onBlur={() => {
        if (isRight && typed !== shown) onChange(isNumber ? number : typed)
      }}
      onKeyDown={e => {
        if (e.key === 'Enter') (e.target as HTMLInputElement).blur()
      }}
      sx={{ minWidth: 110, flex: 1 }}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  )
}

const Row = ({ children }: { children: React.ReactNode }) => (
  <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>{children}</Box>
)

const AreaFields = ({ value, onChange }: { value: Area; onChange: (a: Area) => void }) => (
  <Row>
    <Select
      label="Pattern"
      value={value.pattern}
      options={choices(PATTERNS)}
      onChange={p => onChange({ ...typicalArea(p as Area['pattern']), follow: value.follow })}
    />
    <SizeFields value={value} onChange={s => onChange({ ...value, ...s })} />
    <Select
      label="Who picks"
      value={value.chooser ?? NONE}
      optional="as usual"
      options={choices(CHOOSERS)}
      onChange={c => onChange({ ...value, chooser: (c || undefined) as Area['chooser'] })}
    />
    <Select
      label="Follows"
      value={value.follow ?? NONE}
      optional="not said here"
      options={choices(FOLLOWS)}
      onChange={f => onChange({ ...value, follow: (f || undefined) as Area['follow'] })}
    />
  </Row>
)

const SizeFields = ({ value, onChange }: { value: Size; onChange: (s: Size) => void }) => (
  <>
    <NumberField
      label="Width"
      unit="% of frame"
      scale={100}
      min={0.001}
      value={value.width}
      onChange={w => onChange({ width: Number(w), height: value.height })}
    />
    <NumberField
      label="Height"
      unit="% of frame"
      scale={100}
      min={0.001}
      value={value.height}
      onChange={h => onChange({ width: value.width, height: Number(h) })}
    />
  </>
)

/** Where a function sits: on a control of a body, or in a place of the hand where no body is meant. */
type Assigned = ControlAssignment | PlaceAssignment

const AssignFields = ({
  body,
  value,
  onChange,
}: {
  body: Body | undefined
  value: Assigned
  onChange: (a: Assigned) => void
}) => (
  <Row>
    {'place' in value ? (
      <Select
        label="Place of the hand"
        value={value.place}
        options={PLACE_IDS.map(id => ({ id, label: PLACES[id].label }))}
        onChange={place => onChange({ ...value, place: place as PlaceAssignment['place'] })}
      />
    ) : (
      <Select
        label="Control"
        value={value.control}
        options={(body?.controls ?? []).map(c => ({ id: c.id, label: c.label }))}
        onChange={control => onChange({ ...value, control })}
      />
    )}
    <Select
      label="Press"
      value={value.press ?? NONE}
      optional="not said"
      options={choices(['held', 'toggled'])}
      onChange={p => onChange({ ...value, press: (p || undefined) as ControlAssignment['press'] })}
    />
    <Select
      label="Area bound to it"
      value={value.area?.pattern ?? NONE}
      optional="none"
      options={choices(PATTERNS)}
      onChange={p => onChange({ ...value, area: p ? typicalArea(p as Area['pattern']) : undefined })}
    />
    <Select
      label="Subject bound to it"
      value={value.subject?.class ?? NONE}
      optional="none"
      options={choices(['automatic', 'people', 'animals', 'birds', 'vehicles'])}
      onChange={c => onChange({ ...value, subject: c ? { ...value.subject, class: c } : undefined })}
    />
    {value.subject && (
      <Select
        label="Finest part"
        value={value.subject.detail ?? NONE}
        optional="not said"
        options={choices(DETAILS)}
        onChange={x =>
          onChange({
            ...value,
            subject: { class: value.subject?.class ?? 'people', detail: (x || undefined) as (typeof DETAILS)[number] },
          })
        }
      />
    )}
  </Row>
)

const PositionFields = ({ value, onChange }: { value: Position; onChange: (p: Position) => void }) => (
  <Row>
    <NumberField
      label="From the left"
      unit="%"
      scale={100}
      min={0}
      value={value.x}
      onChange={x => onChange({ ...value, x: Number(x) })}
    />
    <NumberField
      label="From the top"
      unit="%"
      scale={100}
      min={0}
      value={value.y}
      onChange={y => onChange({ ...value, y: Number(y) })}
    />
    <Select
      label="Back with"
      value={value.recall ?? NONE}
      optional="no control"
      options={PLACE_IDS.map(id => ({ id, label: PLACES[id].label }))}
      onChange={r => onChange({ ...value, recall: (r || undefined) as Position['recall'] })}
    />
  </Row>
)

const RangeFields = ({ value, onChange }: { value: FocusRange; onChange: (r: FocusRange) => void }) => (
  <Row>
    <NumberField
      label="Near"
      unit="m"
      min={0.001}
      value={value.nearMetres}
      onChange={n => onChange({ ...value, nearMetres: Number(n) })}
    />
    <NumberField
      label="Far"
      unit="m"
      min={0.001}
      value={value.farMetres}
      also={['infinity']}
      onChange={f => onChange({ ...value, farMetres: f === 'infinity' ? 'infinity' : Number(f) })}
    />
  </Row>
)

const MagnifyFields = ({ value, onChange }: { value: Magnify; onChange: (m: Magnify) => void }) => (
  <Row>
    <NumberField label="Times" min={1} value={value.factor} onChange={f => onChange({ ...value, factor: Number(f) })} />
    <NumberField
      label="Seconds"
      min={0.01}
      value={value.seconds}
      also={['until-released']}
      onChange={s => onChange({ ...value, seconds: s === 'until-released' ? 'until-released' : Number(s) })}
    />
    <FormControlLabel
      control={
        <Checkbox checked={value.onRingTurn} onChange={e => onChange({ ...value, onRingTurn: e.target.checked })} />
      }
      label="starts with the ring"
    />
  </Row>
)

/** The areas of a body by the pattern they have, else the usual ones. */
const areaOf = (body: Body | undefined, pattern: Area['pattern']): Area =>
  body?.settings
    .flatMap(s => s.options.map(o => o.means['area.pattern'] as Area | undefined))
    .find(a => a?.pattern === pattern) ?? typicalArea(pattern)

/** @param body where the value is one of its own; left out for what a standard asks of any body */
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
  switch (d.kind) {
    case 'choice':
      return d.open ? (
        <TextField
          size="small"
          fullWidth
          label="Value"
          key={value as string}
          defaultValue={value}
          helperText={d.values.length ? `usually one of ${d.values.map(spaced).join(', ')}` : ''}
          onBlur={e => {
            const text = e.target.value.trim()
            if (text && text !== value) onChange(text)
          }}
        />
      ) : (
        <Select label="Value" value={value as string} options={choices(d.values)} onChange={onChange} />
      )
    case 'scale':
      return <Select label="Value" value={value as string} options={choices(d.values)} onChange={onChange} />
    case 'flag':
      return (
        <Select
          label="Value"
          value={value ? 'yes' : 'no'}
          options={choices(['yes', 'no'])}
          onChange={v => onChange(v === 'yes')}
        />
      )
    case 'physical':
      return (
        <NumberField
          label="Amount"
          unit={d.unit}
          value={value as number | string}
          also={d.measure === 'ratio' ? ['never', 'always'] : []}
          {...(isSigned(d) ? {} : { min: 0 })}
          onChange={onChange}
        />
      )
    case 'assign':
      return <AssignFields body={body} value={value as Assigned} onChange={onChange} />
    case 'area':
      return <AreaFields value={value as Area} onChange={onChange} />
    case 'size':
      return (
        <Row>
          <SizeFields value={value as Size} onChange={onChange} />
        </Row>
      )
    case 'position':
      return <PositionFields value={value as Position} onChange={onChange} />
    case 'areas': {
      const areas = value as readonly Area[]
      return (
        <Row>
          {PATTERNS.map(p => (
            <FormControlLabel
              key={p}
              control={
                <Checkbox
                  size="small"
                  checked={areas.some(a => a.pattern === p)}
                  onChange={e => {
                    const next = e.target.checked ? [...areas, areaOf(body, p)] : areas.filter(a => a.pattern !== p)
                    if (next.length) onChange(next)
                  }}
                />
              }
              label={spaced(p)}
            />
          ))}
        </Row>
      )
    }
    case 'range':
      return <RangeFields value={value as FocusRange} onChange={onChange} />
    case 'magnify':
      return <MagnifyFields value={value as Magnify} onChange={onChange} />
  }
}

/** A first value of the right kind, to be changed. */
export const startingValue = (d: Dimension, body?: Body): NeutralValue => {
  switch (d.kind) {
    case 'choice':
      return d.values[0] ?? 'other'
    case 'scale':
      return d.values[0] ?? ''
    case 'flag':
      return true
    case 'physical':
      return d.measure === 'ratio' ? 1 : d.measure.within ? 0.5 : 0
    case 'assign':
      return body
        ? { control: (body.controls.find(c => accepts(c, d.id)) ?? body.controls[0])?.id ?? '' }
        : { place: 'thumb-upper-right' }
    case 'area':
      return typicalArea('point')
    case 'size':
      return { width: 0.05, height: 0.06 }
    case 'position':
      return { x: 0.5, y: 0.5 }
    case 'areas':
      return [typicalArea('point')]
    case 'range':
      return { nearMetres: 0.5, farMetres: 'infinity' }
    case 'magnify':
      return { factor: 5, seconds: 'until-released', onRingTurn: false }
  }
}
