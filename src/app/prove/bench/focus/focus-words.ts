import type { FocusTrouble } from '@/core/imaging/ruler'
import type { PictureFacts } from '@/workers/pictures'

/** What is wrong with a picture of the ruler and what to do, in words. */
export const troubleWords = (why: FocusTrouble['why']): string => {
  switch (why.kind) {
    case 'marks':
      return why.isOther
        ? 'this is the chart and not the ruler'
        : `${why.found} of the five marks can be seen: none may be covered, cut off or in glare`
    case 'small':
      return `the ruler is too small in the picture (${why.pixelsPerMm.toFixed(1)} pixels a millimetre): go nearer, or use the picture as the camera made it`
    case 'over-exposed':
      return 'over-exposed: the white of the paper has to stay below white'
    case 'edges':
      return 'the stripes cannot be read: look for glare, a crease or motion'
    case 'beyond':
      return `focus lies beyond the ruler, ${why.side === 'front' ? 'in front of' : 'behind'} it: look whether it focused on the field at all`
  }
}

/** Whether pictures of different lenses or cameras were put together, by their Exif. */
export const mixedWords = (pictures: readonly { readonly facts: PictureFacts }[]): string => {
  const several = (values: readonly (string | undefined)[]) => [...new Set(values.filter(v => v !== undefined))]
  const lenses = several(pictures.map(p => p.facts.lens))
  const cameras = several(pictures.map(p => p.facts.camera))
  if (lenses.length > 1) return `These pictures are of different lenses: ${lenses.join(', ')}. Begin again with one.`
  if (cameras.length > 1) return `These pictures are of different cameras: ${cameras.join(', ')}. Begin again with one.`
  return ''
}
