/** The Arpeggio view: lines on the neck, staff and TAB, the transport, sound files. */

import { createListener, WINDOW } from '../web/src/ear/listener.ts'
import { open, play, settings, stop, usualSound } from './support/arpeggio.ts'
import { readBack } from './support/engraved.ts'
import { rest, typeOver } from './support/hands.ts'
import { choose, menuItem, word } from './support/sentence.ts'
import { onsetsIn, readWav, unevennessMs } from './support/soundFile.ts'
import { watchSounds } from './support/startedSounds.ts'
import { expect, type Page, test } from './support/test.ts'

const tones = (page: Page) =>
  page
    .getByTestId('arpeggio-tone')
    .evaluateAll((all) =>
      all.map((one) => `${one.getAttribute('data-string')}:${one.getAttribute('data-fret')}`).join(' '),
    )
const fingers = (page: Page) =>
  page.getByTestId('arpeggio-tone').evaluateAll((all) => all.map((one) => one.getAttribute('data-finger')).join(''))
/** A choice that the sentence does not name yet. */
async function more(page: Page, choice: string) {
  await page.getByRole('button', { name: /^More of the line/ }).click()
  await menuItem(page, choice, true).click()
}

test.afterEach(({ request }) => usualSound(request))

test.describe('the line on the neck', () => {
  test('every tone under one hand, with its finger, the tones below the lowest root too', async ({ page }) => {
    await open(page)
    expect(await tones(page)).toBe('6:7 6:8 5:7 5:10 4:9 4:10 3:9 2:8 1:7 1:8')
    expect(await fingers(page)).toBe('1214343212')
    await expect(page.getByTestId('line-facts')).toContainText('the hand stays at 7 · no finger reaches')
    await page.keyboard.press('ArrowRight')
    await expect(word(page, 'Position')).toHaveText('fret 8')
    await expect(page).toHaveURL(/position=8/)
    await page.keyboard.press('Control+z')
    await expect(word(page, 'Position')).toHaveText('fret 7')
    // A reload opens what the address tells, and that is written a moment later.
    await expect(page).not.toHaveURL(/position=8/)
    await page.reload()
    await expect(page.getByTestId('arpeggio-symbol')).toHaveText('Cmaj7')
    expect(await tones(page)).toBe('6:7 6:8 5:7 5:10 4:9 4:10 3:9 2:8 1:7 1:8')
  })

  test('a tone that can be had on two strings moves to the other one, by hand and by keyboard', async ({ page }) => {
    await open(page, '?chord=Am7&position=5')
    const other = page.getByTestId('other-place').first()
    const words = (await other.getAttribute('aria-label')) ?? ''
    const [, string, fret] = /string (\d), fret (\d+)/.exec(words) ?? []
    await other.click()
    expect((await tones(page)).split(' ')).toContain(`${string}:${fret}`)
    await expect(page).toHaveURL(/chosen=\d+/)
    await page.getByRole('button', { name: 'Undo' }).click()
    expect((await tones(page)).split(' ')).not.toContain(`${string}:${fret}`)
    await page.getByRole('button', { name: new RegExp(`on string ${string}, fret ${fret} instead`) }).press('Enter')
    expect((await tones(page)).split(' ')).toContain(`${string}:${fret}`)
  })

  test('along the neck, on one string, two a string, on the voicing’s strings', async ({ page }) => {
    await open(page, '?chord=Am7&position=5')
    await choose(page, 'How it lies', 'two a string')
    expect(await tones(page)).toBe('6:5 6:8 5:7 5:10 4:7 4:10 3:9 3:12 2:10 2:13 1:12 1:15')
    await choose(page, 'How it lies', 'on one string')
    await choose(page, 'String', 'string 1')
    expect(await tones(page)).toMatch(/^1:0 1:3 1:5 1:8 1:12 1:15 1:17/)
    await choose(page, 'How it lies', 'along the neck')
    await choose(page, 'Octaves along the neck', '3 octaves')
    await expect(page.getByTestId('line-facts')).toContainText(/\d shift/)
    await word(page, 'Fingering').press('ArrowDown')
    await expect(page).toHaveURL(/line=1/)
    await choose(page, 'How it lies', 'on the voicing’s strings')
    expect(await tones(page)).not.toMatch(/[56]:/)
  })

  test('from Build: the shape stands inside its arpeggio, and goes back and to the tray', async ({ page }) => {
    await page.goto('/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x')
    await page.getByRole('group', { name: 'Acts' }).getByRole('link', { name: 'Arpeggio' }).click()
    await page.waitForURL(/\/arpeggio/)
    await expect(page.locator('[data-alive]')).toBeVisible()
    await expect(page.getByRole('region', { name: 'This line' }).getByText('ringed: x6878x')).toBeVisible()
    await expect(word(page, 'Position')).toHaveText('fret 6')
    await page.keyboard.press('t')
    await expect(page.getByRole('list', { name: 'Shapes in the tray' })).toContainText('x6878x')
    await page.getByRole('button', { name: 'Empty the tray' }).click()
    await page
      .getByRole('group', { name: 'Acts' })
      .getByRole('link', { name: /^Build/ })
      .click()
    await expect(page.getByTestId('shape-text')).toContainText('x6878x')
  })

  test('an alternate tuning and a seven-string work; a wrong symbol says so and the line stays', async ({ page }) => {
    await open(page, '?chord=Dm7b5&position=3&tuning=B1,E2,A2,D3,G3,B3,E4')
    expect(await tones(page)).toMatch(/^7:3/)
    const chord = page.locator('#arpeggio-chord')
    await typeOver(chord, 'C7x9')
    await expect(page.getByTestId('line-wrong').filter({ hasText: 'x9 is not a tension' })).toBeVisible()
    // On the way there stood C7; what can't be read in the end is no step.
    await chord.press('Enter')
    await expect(page.getByTestId('arpeggio-symbol')).toHaveText('Dm7♭5')
    await typeOver(chord, 'Gm7')
    await expect(page.getByTestId('arpeggio-symbol')).toHaveText('Gm7')
    await more(page, 'D A D F♯ A D')
    await expect(page).toHaveURL(/tuning=D2/)
  })
})

test('scales that hold the chord say what they add; the pentatonic adds one tone', async ({ page }) => {
  await open(page, '?chord=Am7&position=5')
  const pentatonic = page.getByTestId('scale-fit').filter({ hasText: 'minor pentatonic' })
  const name = /^A minor pentatonic: adds 4, one tone more than the arpeggio/
  await pentatonic.getByRole('button', { name }).click()
  // The fourth of A is D: string 6 is out of the window at 10, string 5 fret 5, string 4 none, string 3 fret 7, string 2 fret 3 is out.
  await expect(page.getByTestId('scale-layer').locator('g')).toHaveCount(2)
  await expect(page.getByTestId('scale-fit').first()).toContainText('Dorian')
})

test('the finder shows a tone on every string by number, and what it becomes', async ({ page }) => {
  await open(page, '?chord=C7&position=5')
  await page.getByRole('button', { name: 'Find the minor seventh' }).click()
  await expect(page.getByTestId('find-moves')).toContainText('down a fret: 13; up a fret: 7; up two: R')
  expect(await page.getByTestId('found-tone').count()).toBeGreaterThan(6)
  await page.getByRole('button', { name: 'back to the line' }).click()
  await expect(page.getByTestId('found-tone')).toHaveCount(0)
})

test.describe('the hand and the thread', () => {
  const bars = (page: Page) =>
    page.getByTestId('hand-bar').evaluateAll((all) => all.map((one) => Number(one.getAttribute('data-at'))))

  test('every place that lies well is a bar; it is taken, pulled to any fret, stepped, and each is one undo', async ({
    page,
  }) => {
    await open(page, '?chord=Ebmaj7&position=6&from=lowest')
    expect(await bars(page)).toEqual([1, 3, 5, 6, 8, 10, 12])
    await page.locator('[data-testid=hand-bar][data-at="8"]').click()
    await expect(word(page, 'Position')).toHaveText('fret 8')
    // Taken away from, a place that does not lie well is none any more.
    await expect.poll(() => bars(page)).toEqual([1, 3, 5, 8, 10, 12])
    const bar = await page.locator('[data-testid=hand-bar][data-at="8"]').boundingBox()
    const there = await page.getByRole('button', { name: 'hand at fret 7' }).boundingBox()
    if (!bar || !there) throw new Error('nothing to pull')
    const step = there.x + there.width / 2 - (bar.x + 40)
    await page.mouse.move(bar.x + 40, bar.y + 8)
    await page.mouse.down()
    await page.mouse.move(bar.x + 40 + step * 0.5, bar.y + 8, { steps: 4 })
    await page.mouse.up()
    await expect(word(page, 'Position')).toHaveText('fret 7')
    await page.keyboard.press('Control+z')
    await expect(word(page, 'Position')).toHaveText('fret 8')
    await page.getByRole('button', { name: 'Hand one fret up' }).click()
    await expect(word(page, 'Position')).toHaveText('fret 9')
    await page.getByRole('button', { name: 'hand at fret 3', exact: true }).focus()
    await page.keyboard.press('Enter')
    await expect(word(page, 'Position')).toHaveText('fret 3')
  })

  test('the thread starts, turns and says so; tones are walked in the order of playing and lit everywhere', async ({
    page,
  }) => {
    await open(page, '?chord=Ebmaj7&position=6&from=lowest&octaves=1')
    await expect(page.getByTestId('thread-start')).toHaveCount(1)
    await expect(page.getByTestId('thread-turn')).toHaveCount(1)
    await page.getByTestId('arpeggio-tone').first().focus()
    await page.keyboard.press('ArrowRight')
    await expect(page.locator('[data-testid=arpeggio-tone]:focus')).toHaveAttribute(
      'aria-label',
      /^the major seventh, D: string 6, fret 10, finger 4 reaches, note 2$/,
    )
    await expect(page.getByTestId('neck-pointed')).toHaveCount(1)
    // Up and down: the second tone is written twice.
    await expect(page.getByTestId('pointed-band')).toHaveCount(2)
    // Its finger stands ringed under the TAB.
    await expect(page.getByTestId('fingers').locator('span[data-reaches]').first()).toHaveText('4')
    await page.keyboard.press('Enter')
    await expect(page.locator('[data-testid=arpeggio-tone][data-selected]')).toHaveAttribute('data-fret', '10')
  })

  test('scales are walked by arrows on their ruler and laid on the neck; Enter builds the voicing inside', async ({
    page,
  }) => {
    await open(page, '?chord=Ebmaj7&position=6&shape=x6878x')
    const scales = page.getByTestId('scale-fit').getByRole('button')
    await scales.first().focus()
    await page.keyboard.press('ArrowDown')
    await expect(scales.nth(1)).toBeFocused()
    await page.keyboard.press('Enter')
    await expect(word(page, 'Scale')).toHaveText('major (Ionian)')
    await expect(page).toHaveURL(/scale=major/)
    await page.locator('body').click({ position: { x: 640, y: 20 } })
    await page.keyboard.press('Enter')
    await page.waitForURL(/shape=x6878x/)
    await expect(page.getByTestId('shape-text')).toContainText('x6878x')
  })
})

test.describe('written and played', () => {
  test('a note that is pressed is shown on the neck, on staff and TAB', async ({ page }) => {
    await open(page, '?chord=Cmaj7&position=7&octaves=1')
    await page.locator('[data-testid=arpeggio-tone][data-string="5"][data-fret="10"]').click()
    await expect(page.locator('[data-testid=arpeggio-tone][data-selected]')).toHaveAttribute('data-fret', '10')
    // The fifth comes twice, up and down: two notes on the staff and two numbers on the TAB.
    await expect(page.getByTestId('notation').locator('[data-selected]')).toHaveCount(4)
    await expect(page.locator('[data-testid=arpeggio-tone][data-selected]')).toHaveAttribute(
      'aria-label',
      /^the fifth, G: string 5, fret 10/,
    )
    await page.getByTestId('notation').locator('.vf-tabnote').first().locator('text').click()
    await expect(page.locator('[data-testid=arpeggio-tone][data-selected]')).toHaveAttribute(
      'aria-label',
      /^the root, C: /,
    )
  })

  test('the words of the sentence change what is written', async ({ page }) => {
    await open(page, '?chord=Cmaj7&position=7&octaves=1')
    const notation = page.getByTestId('notation')
    await expect(notation).toHaveAttribute('data-notes', '9')
    await choose(page, 'Direction', 'up')
    await expect(notation).toHaveAttribute('data-notes', '5')
    await more(page, '1 2 3 · 2 3 4')
    await expect(notation).toHaveAttribute('data-notes', '9')
    await choose(page, 'Note value', 'triplets')
    // Staff and TAB: a numeral 3 over every group.
    await expect(notation.locator('.vf-tuplet')).toHaveCount(3)
    await expect(notation.locator('.vf-tabnote')).toHaveCount(9)
    await choose(page, 'Starts on', 'the lowest tone')
    await expect(notation).toHaveAttribute('data-notes', /\d+/)
  })

  test('plays with a visible cursor, changes its tempo, stops, and stops on leaving', async ({ page, request }) => {
    await settings(request, { tempo: 240, countInBars: 1 })
    const started = await watchSounds(page)
    await open(page, '?chord=Cmaj7&position=7')
    await page.locator('body').press('Space')
    await expect(stop(page)).toBeVisible()
    await expect(page.getByTestId('neck-cursor')).toBeVisible()
    await expect(page.getByTestId('notation').locator('[data-now]').first()).toBeVisible()
    await expect.poll(async () => (await started()).length).toBeGreaterThan(8)
    // Eighths at 240 follow one another by an eighth of a second.
    const before = await started()
    expect((before[3] ?? 0) - (before[2] ?? 0)).toBeCloseTo(0.125, 3)
    const tempo = page.getByLabel('Tempo, beats per minute')
    await typeOver(tempo, '120')
    await tempo.press('Enter')
    const from = (await started()).length
    await expect.poll(async () => (await started()).length).toBeGreaterThan(from + 6)
    const after = (await started()).slice(from)
    // Between the end and the next beginning there may be a rest.
    const gaps = after.slice(1).map((at, index) => at - (after[index] ?? 0))
    expect(Math.min(...gaps)).toBeCloseTo(0.25, 3)
    await stop(page).click()
    await expect(play(page)).toBeVisible()
    await expect(page.getByTestId('neck-cursor')).toHaveCount(0)
    const stopped = (await started()).length
    await rest(page, 600)
    expect((await started()).length).toBe(stopped)
    await play(page).click()
    await expect(page.getByTestId('playing')).toHaveAttribute('data-late', '0')
    await page.goto('/book')
    await expect(page.getByRole('heading', { name: 'Book', exact: true })).toBeAttached()
  })

  test('a page that stalls over the end of what plays still comes to its end', async ({ page, request }) => {
    await settings(request, { tempo: 240, countInBars: 0 })
    await open(page, '?chord=Cmaj7&position=7&octaves=1')
    await page.getByRole('button', { name: 'loop', exact: true }).click()
    await play(page).click()
    await expect(page.getByTestId('playing')).toHaveAttribute('data-status', 'playing')
    // Nine eighths at 240 are one second and an eighth; they end at the bar, after two.
    await page.evaluate(
      () =>
        new Promise<void>((resolve) =>
          setTimeout(() => {
            const until = performance.now() + 800
            while (performance.now() < until);
            resolve()
          }, 1500),
        ),
    )
    await expect(page.getByTestId('playing')).toHaveAttribute('data-status', 'stopped')
    await expect(play(page)).toBeVisible()
  })

  test('a line read back from its drawing is the line: strings, frets and letters', async ({ page, request }) => {
    const { notes, order } = await (await request.get('/api/arpeggio?chord=Cmaj7&position=7&direction=up-down')).json()
    const wanted = (order as number[]).map((index) => notes[index] as { string: number; fret: number; note: string })
    await open(page, '?chord=Cmaj7&position=7')
    const drawn = await readBack(page.getByTestId('notation'))
    expect(drawn.tabs.flat().map(({ string, fret }) => `${string}:${fret}`)).toEqual(
      wanted.map(({ string, fret }) => `${string}:${fret}`),
    )
    // Half the space between two lines is a step of the scale: the steps from note to note are those of the letters.
    const stepOf = ({ string, fret, note }: (typeof wanted)[number]) => {
      const midi = [64, 59, 55, 50, 45, 40][string - 1] as number
      return 7 * Math.floor((midi + fret) / 12) + 'CDEFGAB'.indexOf(note[0] as string)
    }
    for (const [index, note] of wanted.slice(1).entries())
      expect(((drawn.heads[index] ?? 0) - (drawn.heads[index + 1] ?? 0)) / 5).toBeCloseTo(
        stepOf(note) - stepOf(wanted[index] as (typeof wanted)[number]),
        1,
      )
  })

  test('a line that nearly fits is drawn smaller: all of it is in sight, on seven strings and at 1024', async ({
    page,
  }) => {
    const beyond = () =>
      page.getByRole('region', { name: 'Notation' }).evaluate((pane) => pane.scrollHeight - pane.clientHeight)
    await open(page, '?chord=Am7&position=5&from=lowest&tuning=B1,E2,A2,D3,G3,B3,E4')
    await expect.poll(beyond).toBeLessThan(2)
    await page.setViewportSize({ width: 1024, height: 768 })
    await open(page, '?chord=Ebmaj7&shape=x6878x&from=lowest')
    await expect.poll(beyond).toBeLessThan(2)
    // The fingers stand under their notes at that size too.
    const [number, finger] = await page.evaluate(() =>
      [document.querySelector('.vf-tabnote text'), document.querySelector('[data-testid=fingers] span')].map((one) => {
        const { left = 0, width = 0 } = one?.getBoundingClientRect() ?? {}
        return left + width / 2
      }),
    )
    expect(Math.abs((number ?? 0) - (finger ?? 99))).toBeLessThan(6)
  })

  test('of a line longer than its pane the system that is played comes into sight', async ({ page, request }) => {
    await settings(request, { tempo: 300, countInBars: 0 })
    await open(page, '?chord=Cmaj7&position=7&from=lowest&pattern=fours')
    const pane = page.getByRole('region', { name: 'Notation' })
    const scrolled = () => pane.evaluate((box) => box.scrollTop)
    expect(await scrolled()).toBe(0)
    await page.locator('body').press('Space')
    await expect.poll(scrolled).toBeGreaterThan(100)
    await expect(page.getByTestId('notation').locator('[data-now]').first()).toBeInViewport()
    await stop(page).click()
    // A tone that is pressed on the neck is shown where it is written.
    await page.getByTestId('arpeggio-tone').first().click()
    await expect.poll(scrolled).toBe(0)
    await expect(page.getByTestId('notation').locator('[data-selected]').first()).toBeInViewport()
  })

  test('a TAB’s digit stands under its head, a triplet’s 3 at its beam and off the TAB, in every metre', async ({
    page,
  }) => {
    for (const query of [
      'value=triplet',
      'value=eighth&time=6/8',
      'value=sixteenth&time=7/8',
      'value=triplet&time=5/4',
    ]) {
      await open(page, `?chord=Cmaj7&position=7&from=lowest&${query}`)
      const found = await page.getByTestId('notation').evaluate((box) => {
        const middles = (selector: string) =>
          [...box.querySelectorAll(selector)].map((one) => {
            const { left, right, top, bottom } = one.getBoundingClientRect()
            return { x: (left + right) / 2, top, bottom }
          })
        const tabs = middles('.vf-tabnote')
        const staves = [...box.querySelectorAll('.vf-stave')].map((stave) => ({
          top: stave.getBoundingClientRect().top,
          lines: stave.querySelectorAll('path').length,
        }))
        return {
          heads: middles('.vf-notehead').map(({ x }) => x),
          digits: tabs.map(({ x }) => x),
          threes: middles('.vf-tuplet'),
          // Of six strings; a staff has five lines.
          tabTops: staves.filter(({ lines }) => lines >= 6).map(({ top }) => top),
        }
      })
      expect(found.digits.length).toBeGreaterThan(6)
      // Rests come last.
      expect(found.heads.length).toBeGreaterThanOrEqual(found.digits.length)
      for (const [index, x] of found.digits.entries()) expect(Math.abs(x - (found.heads[index] ?? 0))).toBeLessThan(1.5)
      expect(found.threes.length > 0).toBe(query.includes('triplet'))
      // Its middle: the box of the sign is that of its whole font. A TAB of six strings is 65 px high.
      for (const { top, bottom } of found.threes)
        expect(found.tabTops.some((tab) => (top + bottom) / 2 > tab - 8 && (top + bottom) / 2 < tab + 65)).toBe(false)
    }
  })

  test('tempo by tapping stays within 20 and 300, and is kept', async ({ page }) => {
    await page.clock.install()
    await open(page)
    const tap = page.getByRole('button', { name: 'Tap' })
    for (let tapped = 0; tapped < 4; tapped++) {
      await tap.click()
      await page.clock.fastForward(600)
    }
    const tempo = page.getByLabel('Tempo, beats per minute')
    const tapped = Number(await tempo.inputValue())
    expect(tapped).toBeGreaterThan(60)
    expect(tapped).toBeLessThan(150)
    await typeOver(tempo, '999')
    await tempo.press('Enter')
    await expect(tempo).toHaveValue('300')
    await page.reload()
    await expect(page.getByLabel('Tempo, beats per minute')).toHaveValue('300')
  })
})

test.describe('rendered offline', () => {
  async function rendered(page: Page) {
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Sound file' }).click()
    return readWav(await (await download).path())
  }

  test('clicks lie within 2 ms of their beats', async ({ page, request }) => {
    await settings(request, { tempo: 200, metronome: true, stringsVolume: 0 })
    await open(page, '?chord=Cmaj7&position=7&pattern=fours')
    const onsets = onsetsIn(await rendered(page))
    expect(onsets.length).toBeGreaterThanOrEqual(8)
    for (const off of unevennessMs(onsets, 60 / 200)) expect(Math.abs(off)).toBeLessThan(2)
  })

  test('the first sound is as loud as the others and begins with the file; nothing is at full scale, whatever is turned up', async ({
    page,
    request,
  }) => {
    await settings(request, { tempo: 200, metronome: true, stringsVolume: 0, countInBars: 1 })
    await open(page, '?chord=Cmaj7&position=7&pattern=fours')
    const { samples, sampleRate } = await rendered(page)
    const onsets = onsetsIn({ samples, sampleRate })
    expect(onsets[0]).toBeLessThan(0.001)
    const peak = (at: number) => {
      const from = Math.round(at * sampleRate)
      return samples.subarray(from, from + 900).reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)
    }
    // Bars of four: the first clicks of two bars are alike.
    expect(20 * Math.log10(peak(onsets[0] ?? 0) / peak(onsets[4] ?? 0))).toBeCloseTo(0, 0)
    const loudest = { volume: 100, stringsVolume: 100, bassVolume: 100, drumsVolume: 100, clickVolume: 100 }
    await settings(request, { ...loudest, drums: true, bassStandIn: true, metronome: true })
    await page.reload()
    const full = (await rendered(page)).samples
    expect(full.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)).toBeLessThan(0.985)
    await settings(request, {
      volume: 70,
      stringsVolume: 80,
      bassVolume: 80,
      drumsVolume: 60,
      clickVolume: 60,
      drums: false,
      bassStandIn: false,
    })
  })

  test('the notes have the pitches of the line, in its order, each on its eighth; swing delays every second', async ({
    page,
    request,
  }) => {
    await settings(request, { tempo: 120, metronome: false, swing: 100 })
    await open(page, '?chord=Cmaj7&position=7&octaves=1')
    const { samples, sampleRate } = await rendered(page)
    const listener = createListener(sampleRate)
    const heard = []
    for (let end = WINDOW; end <= samples.length; end += 441) {
      const note = listener.feed(samples.subarray(end - WINDOW, end), end / sampleRate)
      if (note) heard.push(note)
    }
    // C3 E3 G3 B3 C4 and back.
    expect(heard.map(({ midi }) => midi)).toEqual([48, 52, 55, 59, 60, 59, 55, 52, 48])
    for (const { cents } of heard) expect(Math.abs(cents)).toBeLessThan(12)
    // In triplets a pair of eighths at 120 is a third and a sixth of a second.
    for (const [index, note] of heard.slice(1).entries())
      expect(Math.abs(note.at - (heard[index]?.at ?? 0) - (index % 2 === 0 ? 1 / 3 : 1 / 6))).toBeLessThan(0.02)
  })
})

test('the endpoint gives the same line, and refuses what the neck has not', async ({ request }) => {
  const answer = await (await request.get('/api/arpeggio?chord=Cmaj7&position=7&direction=up')).json()
  expect(answer.notes.map(({ string, fret }: { string: number; fret: number }) => `${string}:${fret}`).join(' ')).toBe(
    '6:7 6:8 5:7 5:10 4:9 4:10 3:9 2:8 1:7 1:8',
  )
  expect(answer.order).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9])
  expect(await (await request.get('/api/arpeggio?chord=Cmaj7&position=40')).json()).toMatchObject({
    field: 'position',
    expected: '1 to 21',
  })
  expect((await request.get('/api/arpeggio?chord=Cmaj7&string=9')).status()).toBe(400)
  expect((await request.get('/api/arpeggio?chord=Cmaj7&from=x')).status()).toBe(400)
})
