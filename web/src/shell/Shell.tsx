/** What every view stands in: the header with the way around, the player's instrument, sound and light; notices. */
import {
  ActionIcon,
  Box,
  MantineProvider,
  Menu,
  UnstyledButton,
  useComputedColorScheme,
  useMantineColorScheme,
} from '@mantine/core'
import { useMediaQuery } from '@mantine/hooks'
import { Notifications } from '@mantine/notifications'
import { useStore } from '@nanostores/react'
import { tuningLetters, writeTuning } from '@nestling/core/neck'
import { type ReactNode, useEffect, useMemo, useState } from 'react'
import { IconChevronDown, IconMoon, IconSun } from '../controls/icons.ts'
import { isMac } from '../controls/platform.ts'
import { EggPatterns } from '../neck/Egg.tsx'
import { FacingProvider } from '../neck/facing.ts'
import { sendWhenBack } from '../state/away.ts'
import { cameBack } from '../state/cameBack.ts'
import { $carried, addressIn, openCarried } from '../state/carried.ts'
import { lookAtDeedsAgain, openDeeds } from '../state/deeds.ts'
import { tell } from '../state/notices.ts'
import { openPage, type PageData } from '../state/page.ts'
import { onPrintKey } from '../state/printing.ts'
import { $isRenewed } from '../state/served.ts'
import { $session, chooseInstrument, openWaitingSettings } from '../state/session.ts'
import { openTrayPast, openWaitingTray, refreshTray } from '../state/tray.ts'
import { BREAKPOINTS } from '../styles/breakpoints.mjs'
import { doWhatWasPressed } from './early.ts'
import { openKeys } from './help.ts'
import { OnPaper } from './OnPaper.tsx'
import classes from './Shell.module.css'
import { SoundMenu } from './SoundMenu.tsx'
import { Titles } from './Titles.tsx'
import { Tray } from './Tray.tsx'
import { OVER_ID, theme } from './theme.ts'
import { carries, useTuned } from './tuned.ts'
import { useDragByTouch } from './useDragByTouch.ts'
import { useFocusKept } from './useFocusKept.ts'
import { VIEWS, type ViewName, within } from './views.ts'

export interface ShellProps {
  readonly view: ViewName
  /** What the page came with; the stores hold it before anything inside is drawn, on the server and in the browser alike. */
  readonly page: PageData
  /** On a wide screen the view fills the window, and its parts scroll by themselves. */
  readonly fixed?: boolean
  /** The view has a strip of its own at the foot, in which the tray is a word. */
  readonly foldsTray?: boolean
  /** An element that never changes: what changes inside it must not draw the whole frame again. */
  readonly children: ReactNode
}

const RENEWED =
  'Nestling was renewed on the server; this page is of the version before. What is asked here stays over a reload.'
const RENEWED_WAYS = [
  ['Reload', () => window.location.reload()],
  ['Later', () => undefined],
] as const

export function Shell({ view, page, fixed = false, foldsTray = false, children }: ShellProps) {
  useState(() => openPage(page))
  const { instrument, settings } = useStore($session)
  const leftHanded = instrument.handed === 'left'
  const facing = useMemo(() => ({ leftHanded, lowOnTop: settings.lowOnTop }), [leftHanded, settings.lowOnTop])
  useFocusKept()
  useDragByTouch()
  // Says that the page has come alive: before, what is typed into it would be lost.
  const [alive, setAlive] = useState(false)
  useEffect(() => {
    setAlive(true)
    // Styles print the key's own name: what the server drew does not know the machine.
    if (isMac) document.documentElement.dataset['mac'] = ''
    openTrayPast()
    openDeeds()
    openWaitingSettings()
    openWaitingTray()
    const noLonger = sendWhenBack()
    const unheard = $isRenewed.subscribe((isRenewed) => {
      if (isRenewed) tell.choice(RENEWED, RENEWED_WAYS)
    })
    const onShow = ({ persisted }: PageTransitionEvent) => {
      if (!persisted) return
      lookAtDeedsAgain()
      void refreshTray()
    }
    // A page that Back has taken out of the browser's store shows what was there when it was left.
    if (cameBack()) void refreshTray()
    window.addEventListener('keydown', onPrintKey)
    window.addEventListener('pageshow', onShow)
    void doWhatWasPressed()
    return () => {
      noLonger()
      unheard()
      window.removeEventListener('keydown', onPrintKey)
      window.removeEventListener('pageshow', onShow)
    }
  }, [])
  return (
    <MantineProvider theme={theme} withCssVariables={false} defaultColorScheme="auto">
      <FacingProvider value={facing}>
        <div className={classes['frame']} data-fixed={fixed || undefined} data-alive={alive || undefined}>
          <EggPatterns />
          <a className={classes['skip']} href="#work">
            Skip to the work
          </a>
          <header className={classes['header']}>
            <a className={classes['name']} href="/">
              Nestling
            </a>
            <nav aria-label="Views" className={classes['views']}>
              <Ways view={view} />
            </nav>
            <Notices place="header" />
            <div className={classes['tools']}>
              <InstrumentMenu view={view} />
              <SoundMenu />
              <LightToggle />
            </div>
          </header>
          {!alive && (
            <p className={classes['ready']} role="status">
              getting ready
            </p>
          )}
          <main id="work" tabIndex={-1} className={classes['main']}>
            {children}
            <OnPaper view={view} />
            <div id={OVER_ID} />
          </main>
          <div className={classes['foot']}>
            <Notices place="foot" />
            {!foldsTray && <Tray />}
            <footer className={classes['footer']} data-alone={foldsTray || undefined}>
              <button type="button" onClick={openKeys}>
                help
              </button>
              <a href="/api">API</a>
              {page.hasDoor && <a href="/leave">Leave</a>}
            </footer>
          </div>
          <Titles />
        </div>
      </FacingProvider>
    </MantineProvider>
  )
}

/**
 * Between the views and the tools of the header, where nothing else stands; on narrower screens a bar on the tray, in the
 * page's own flow. The newest lies on those before, so that an offer to undo is there again when it goes.
 */
function Notices({ place }: { readonly place: 'header' | 'foot' }) {
  const isWide = useMediaQuery(`(min-width: ${BREAKPOINTS.notices})`)
  if ((isWide === true) !== (place === 'header')) return null
  return (
    <Notifications
      position={place === 'header' ? 'top-center' : 'bottom-center'}
      containerWidth="100%"
      withinPortal={false}
      limit={3}
      autoClose={8000}
      className={classes['notices']}
      data-at={place}
    />
  )
}

/** The views, each with the chord in hand. */
function Ways({ view }: { readonly view: ViewName }) {
  const { instrument } = useStore($session)
  const carried = useStore($carried)
  useEffect(openCarried, [])
  const own = writeTuning(instrument.tuning)
  return VIEWS.flatMap(({ name, href, ...more }) =>
    'within' in more ? (
      []
    ) : (
      <a
        key={name}
        href={carries(name) ? addressIn(name, carried, own, href) : href}
        aria-current={name === view || within(view) === name ? 'page' : undefined}
      >
        {name}
      </a>
    ),
  )
}

function InstrumentMenu({ view }: { readonly view: ViewName }) {
  const { instruments, instrument, settings } = useStore($session)
  const { letters } = useTuned(view)
  const label = `${instrument.name} · ${letters}`
  return (
    <Menu position="bottom-end">
      <Menu.Target>
        <UnstyledButton className={classes['instrument']} aria-label={`Instrument: ${label}`}>
          <span>{label}</span>
          <IconChevronDown size={14} aria-hidden />
        </UnstyledButton>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Label>Play on</Menu.Label>
        {instruments.map((other) => (
          <Menu.RadioItem
            key={other.id}
            value={String(other.id)}
            checked={other.id === instrument.id}
            closeMenuOnClick
            onClick={() => void chooseInstrument(other.id)}
          >
            {other.name} · {tuningLetters(other.tuning, settings.naming)}
          </Menu.RadioItem>
        ))}
        {instruments.length === 0 && <Menu.Item disabled>No instrument kept yet: a standard guitar is used</Menu.Item>}
      </Menu.Dropdown>
    </Menu>
  )
}

function LightToggle() {
  const { setColorScheme } = useMantineColorScheme()
  const now = useComputedColorScheme('light')
  // Both icons, hidden by style: to choose one by `now` is a hydration error once a scheme is stored.
  return (
    <ActionIcon
      variant="subtle"
      color="gray"
      aria-label="Day or dusk"
      title="Day or dusk"
      onClick={() => setColorScheme(now === 'light' ? 'dark' : 'light')}
    >
      <Box component="span" lh={0} darkHidden>
        <IconMoon size={18} />
      </Box>
      <Box component="span" lh={0} lightHidden>
        <IconSun size={18} />
      </Box>
    </ActionIcon>
  )
}
