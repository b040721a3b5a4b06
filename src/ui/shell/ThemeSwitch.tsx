'use client'

import { IconButton } from '@mui/material'
import { useColorScheme } from '@mui/material/styles'

/** Day or night, kept on this device. */
export const ThemeSwitch = () => {
  const { mode, systemMode, setMode } = useColorScheme()
  const isNight = (mode === 'system' ? systemMode : mode) === 'dark'
  const label = isNight ? 'Day theme' : 'Night theme'
  return (
    <IconButton color="inherit" aria-label={label} title={label} onClick={() => setMode(isNight ? 'light' : 'dark')}>
      <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden>
        <circle cx="10" cy="10" r="7" fill="none" stroke="currentColor" strokeWidth="2" />
        <path d="M10 3a7 7 0 0 1 0 14z" fill="currentColor" />
      </svg>
    </IconButton>
  )
}
