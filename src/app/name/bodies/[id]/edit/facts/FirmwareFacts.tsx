'use client'

import type { Editor } from '../use-editor'
import { confirmed, FactRow, FactSection, TextValue } from './parts'

const isVersion = (text: string) => /^\d+(\.\d+){0,3}$/.test(text)

/** The firmware the profile is about. */
export const FirmwareFacts = ({ editor }: { editor: Editor }) => {
  const { profile, editProfile } = editor
  return (
    <FactSection id="firmware" title="Firmware" editor={editor}>
      <FactRow>
        <TextValue
          label="This profile holds from"
          value={profile.firmware.from}
          isRight={isVersion}
          onChange={from =>
            editProfile(`firmware from ${from}`, b =>
              confirmed({ ...b, firmware: { ...b.firmware, from } }, 'firmware'),
            )
          }
        />
        <TextValue
          label="to"
          value={profile.firmware.to}
          isRight={isVersion}
          onChange={to =>
            editProfile(`firmware to ${to}`, b => confirmed({ ...b, firmware: { ...b.firmware, to } }, 'firmware'))
          }
        />
      </FactRow>
    </FactSection>
  )
}
