/** Keys on a glass, where the keys of a body are. */
export interface Pad {
  readonly id: string
  /** Of its middle, in pixels from the upper left. */
  readonly x: number
  readonly y: number
}

/**
 * Lays keys out where a body has them, none over another and none over the edge: they give way along the line between
 * them, and as little as that takes.
 *
 * @param at shares of the view of the body, from its upper left
 * @param width and height of the glass, pixels
 * @param size of a key, pixels; the glass has to be larger
 */
export const padsOf = (
  at: readonly { readonly id: string; readonly x: number; readonly y: number }[],
  { width, height, size }: { readonly width: number; readonly height: number; readonly size: number },
): readonly Pad[] => {
  const within = (n: number, most: number) => Math.min(most - size / 2, Math.max(size / 2, n))
  let pads = at.map(k => ({ id: k.id, x: within(k.x * width, width), y: within(k.y * height, height) }))
  for (let round = 0; round < 60; round++) {
    let isMoved = false
    const next = pads.map(p => ({ ...p }))
    next.forEach((a, i) =>
      next.slice(i + 1).forEach(b => {
        const [dx, dy] = [b.x - a.x, b.y - a.y]
        const apart = Math.hypot(dx, dy)
        if (apart >= size) return
        isMoved = true
        // Two in one place part sideways.
        const [ux, uy] = apart < 1e-6 ? [1, 0] : [dx / apart, dy / apart]
        const by = (size - apart) / 2 + 0.25
        a.x = within(a.x - ux * by, width)
        a.y = within(a.y - uy * by, height)
        b.x = within(b.x + ux * by, width)
        b.y = within(b.y + uy * by, height)
      }),
    )
    pads = next
    if (!isMoved) break
  }
  return pads
}
