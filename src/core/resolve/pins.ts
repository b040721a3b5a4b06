import { type Body, isPinnable, type Pin } from '../bodies'
import { type Context, layerApplies, type Standard } from '../standards'

/** A pin that counts on a body, and who says so: a layer of the standard, or the body's own profile. */
export interface PinOnBody extends Pin {
  readonly from: string
}

/**
 * What is set on a body anyway: the profile's own pins, each replaced by that of the highest layer of the standard that
 * has one for the setting. A pin of a setting or option that is not there, or that the vocabulary speaks of by now, does
 * not count: targets ask for such things.
 *
 * @param body at the firmware that runs
 */
export const pinsOn = (body: Body, standard: Standard, context: Context = {}): readonly PinOnBody[] => {
  const found = new Map<string, PinOnBody>()
  for (const pin of body.pins ?? []) found.set(pin.setting, { ...pin, from: body.model })
  for (const layer of standard.layers)
    if (layerApplies(layer, context))
      for (const { body: id, ...pin } of layer.pins ?? [])
        if (id === body.id) found.set(pin.setting, { ...pin, from: layer.name })
  return [...found.values()].filter(pin => {
    const setting = body.settings.find(s => s.id === pin.setting)
    return setting !== undefined && isPinnable(setting) && setting.options.some(o => o.id === pin.option)
  })
}
