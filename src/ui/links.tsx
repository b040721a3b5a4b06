'use client'

import { Button } from '@mui/material'
import NextLink from 'next/link'
import { type ComponentProps, type ReactNode, useState } from 'react'
import { linkTo, useAhead } from './address'
import { Typography } from './elements'

type More = Readonly<Record<string, string>>

/**
 * A link whose view is fetched once somebody is about to follow it. A page names dozens of views; fetching all of them
 * ahead costs the server more than the page itself, and a phone its battery.
 */
export const ViewLink = ({ onPointerEnter, onFocus, ...rest }: Omit<ComponentProps<typeof NextLink>, 'prefetch'>) => {
  const [isNear, setIsNear] = useState(false)
  return (
    <NextLink
      {...rest}
      prefetch={isNear ? null : false}
      onPointerEnter={event => {
        setIsNear(true)
        onPointerEnter?.(event)
      }}
      onFocus={event => {
        setIsNear(true)
        onFocus?.(event)
      }}
    />
  )
}

/** A link to another view that keeps in hand what is in hand; `more` is added to the address. */
export const KeptLink = ({
  to,
  more,
  ...rest
}: Omit<ComponentProps<typeof ViewLink>, 'href'> & { readonly to: string; readonly more?: More | undefined }) => (
  <ViewLink href={linkTo(to, useAhead(), more)} {...rest} />
)

/** The same, high enough for a thumb whatever stands above and below. */
export const TallLink = ({ style, ...rest }: ComponentProps<typeof KeptLink>) => (
  <KeptLink {...rest} style={{ display: 'inline-block', paddingBlock: 6, ...style }} />
)

/** To what a page is one of, above its heading. */
export const BackLink = (props: Pick<ComponentProps<typeof KeptLink>, 'to' | 'more' | 'children'>) => (
  <Typography variant="body2">
    <TallLink {...props} />
  </Typography>
)

/** A button that leads to another view: with the same in hand, or afresh where what is in hand may be what is wrong. */
export const LinkButton = ({
  to,
  more,
  children,
  variant = 'outlined',
  isAfresh = false,
  isTall = false,
}: {
  readonly to: string
  readonly more?: More
  readonly children: ReactNode
  readonly variant?: 'outlined' | 'contained'
  readonly isAfresh?: boolean
  /** Hit with a thumb, without looking. */
  readonly isTall?: boolean
}) =>
  isAfresh ? (
    <Button component={ViewLink} href={to} variant={variant}>
      {children}
    </Button>
  ) : (
    <Button
      component={KeptLink}
      to={to}
      {...(more ? { more } : {})}
      variant={variant}
      {...(isTall ? { sx: { minHeight: 'var(--touch)' } } : {})}
    >
      {children}
    </Button>
  )
