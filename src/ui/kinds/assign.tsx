'use client'

import { PLACE_IDS, PLACES } from '@/core/vocabulary/places'
import { typicalArea } from '@/core/vocabulary/typical'
import { type Area, type ControlAssignment, DETAILS, PATTERNS, type PlaceAssignment } from '@/core/vocabulary/values'
import { choices, type EditorProps, FieldRow, NONE, Select } from './fields'

export const AssignEditor = ({ body, value, onChange }: EditorProps<'assign'>) => (
  <FieldRow>
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
  </FieldRow>
)
