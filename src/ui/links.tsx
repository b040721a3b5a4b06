'use client'

import { Button } from '@mui/material'
import NextLink from 'next/link'
import type { ComponentProps, ReactNode } from 'react'
import { linkTo, useAhead } from './address'

type More = Readonly<Record<string, string>>

/** A link to another view that keeps in hand what is in hand; `more` is added to the address. */
export const KeptLink = ({
  to,
  more,
  ...rest
}: Omit<ComponentProps<typeof NextLink>, 'href'> & { readonly to: string; readonly more?: More | undefined }) => (
  <NextLink href={linkTo(to, useAhead(), more)} {...rest} />
)

/** A button that leads to another view: with the same in hand, or afresh where what is in hand may be what is wrong. */
export const LinkButton = ({
  to,
  more,
  children,
  variant = 'outlined',
  isAfresh = false,
}: {
  readonly to: string
  readonly more?: More
  readonly children: ReactNode
  readonly variant?: 'outlined' | 'contained'
  readonly isAfresh?: boolean
}) =>
  isAfresh ? (
    <Button component={NextLink} href={to} variant={variant}>
      {children}
    </Button>
  ) : (
    <Button component={KeptLink} to={to} {...(more ? { more } : {})} variant={variant}>
      {children}
    </Button>
  )
