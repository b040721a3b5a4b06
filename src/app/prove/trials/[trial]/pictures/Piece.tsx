'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import { pieceAt } from '@/workers/piece'
import type { Place, Shot } from './use-judging'
import { Box } from '@/ui/elements'

/** Where a picture is looked at: as its metadata says, else where somebody pointed last, else in the middle. */
export const placeIn = (
  shot: Shot,
  image: { readonly width: number; readonly height: number },
  pointed: Place | undefined,
): Place =>
  pointed ??
  (shot.subject
    ? { x: Math.min(1, shot.subject[0] / image.width), y: Math.min(1, shot.subject[1] / image.height) }
    : { x: 0.5, y: 0.5 })

/** Draws into a canvas whenever what is drawn changes; a picture that the browser cannot read says so. */
const useDrawn = (shot: Shot, draw: (image: ImageBitmap, canvas: HTMLCanvasElement) => void) => {
  const canvas = useRef<HTMLCanvasElement>(null)
  const [trouble, setTrouble] = useState('')
  useEffect(() => {
    let isOver = false
    void createImageBitmap(shot.file).then(
      image => {
        if (!isOver && canvas.current) draw(image, canvas.current)
        image.close()
        setTrouble('')
      },
      () => setTrouble('The browser cannot show this picture; save it as JPEG first.'),
    )
    return () => {
      isOver = true
    }
  }, [shot, draw])
  return { canvas, trouble }
}

/** The piece of a picture where it should be sharp, pixel by pixel. */
export const Piece = ({
  shot,
  pointed,
  isSmall = false,
}: {
  shot: Shot
  pointed: Place | undefined
  isSmall?: boolean
}) => {
  const draw = useMemo(() => drawPiece(shot, pointed), [shot, pointed])
  const { canvas, trouble } = useDrawn(shot, draw)
  return (
    <Box sx={{ width: isSmall ? 120 : 420, maxWidth: '100%' }}>
      <Box
        component="canvas"
        ref={canvas}
        role="img"
        aria-label={`${shot.file.name}, where it should be sharp`}
        sx={{ width: '100%', display: 'block', bgcolor: 'action.hover', borderRadius: 1 }}
      />
      {trouble}
    </Box>
  )
}

const drawPiece = (shot: Shot, pointed: Place | undefined) => (image: ImageBitmap, canvas: HTMLCanvasElement) => {
  const piece = pieceAt(image, placeIn(shot, image, pointed))
  canvas.width = piece.width
  canvas.height = piece.height
  canvas
    .getContext('2d')
    ?.drawImage(image, piece.x, piece.y, piece.width, piece.height, 0, 0, piece.width, piece.height)
}

const OVERVIEW = 260

/** The whole picture, small, with the piece that is looked at; a click moves it. */
export const Overview = ({
  shot,
  pointed,
  onPoint,
}: {
  shot: Shot
  pointed: Place | undefined
  onPoint: (place: Place) => void
}) => {
  const draw = useMemo(() => drawOverview(shot, pointed), [shot, pointed])
  const { canvas } = useDrawn(shot, draw)
  return (
    <Box
      component="canvas"
      ref={canvas}
      role="img"
      aria-label={`The whole of ${shot.file.name}; click where it should be sharp`}
      onClick={e => {
        const box = e.currentTarget.getBoundingClientRect()
        onPoint({ x: (e.clientX - box.left) / box.width, y: (e.clientY - box.top) / box.height })
      }}
      sx={{ width: OVERVIEW, maxWidth: '100%', display: 'block', cursor: 'crosshair', borderRadius: 1 }}
    />
  )
}

const drawOverview = (shot: Shot, pointed: Place | undefined) => (image: ImageBitmap, canvas: HTMLCanvasElement) => {
  const scale = OVERVIEW / image.width
  canvas.width = OVERVIEW
  canvas.height = Math.round(image.height * scale)
  const piece = pieceAt(image, placeIn(shot, image, pointed))
  const pen = canvas.getContext('2d')
  if (!pen) return
  pen.drawImage(image, 0, 0, canvas.width, canvas.height)
  pen.lineWidth = 2
  pen.strokeStyle = '#fff'
  pen.strokeRect(piece.x * scale, piece.y * scale, piece.width * scale, piece.height * scale)
  pen.strokeStyle = '#000'
  pen.strokeRect(piece.x * scale - 2, piece.y * scale - 2, piece.width * scale + 4, piece.height * scale + 4)
}
