import '@fontsource-variable/bricolage-grotesque'
import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import { CssBaseline } from '@mui/material'
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript'
import { ThemeProvider } from '@mui/material/styles'
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter'
import type { Metadata, Viewport } from 'next'
import { headers } from 'next/headers'
import { type ReactNode, Suspense } from 'react'
import { listBodies, listStandards } from '@/server/catalogue'
import { listPeople } from '@/server/people'
import { Shell } from '@/ui/shell/Shell'
import { theme } from '@/ui/theme'

export const dynamic = 'force-dynamic'

export const metadata: Metadata = {
  title: { default: 'Coherion', template: '%s · Coherion' },
  description: 'State once how autofocus should behave; get it on every camera body of the team.',
}

export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

export default async function Layout({ children }: { children: ReactNode }) {
  // Given out at the door; only what carries it runs.
  const nonce = (await headers()).get('x-nonce') ?? undefined
  const [standards, bodies, people] = await Promise.all([listStandards(), listBodies(), listPeople()])
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <InitColorSchemeScript attribute="data-theme" nonce={nonce} />
        <AppRouterCacheProvider options={{ nonce }}>
          <ThemeProvider theme={theme}>
            <CssBaseline />
            <Suspense>
              <Shell standards={standards} bodies={bodies} people={people}>
                {children}
              </Shell>
            </Suspense>
          </ThemeProvider>
        </AppRouterCacheProvider>
      </body>
    </html>
  )
}
