/**
 * What a screen reader meets in each view, kept in `a-tree.spec.ts-snapshots` and reviewed when it changes. The first of all
 * tests: of the demo as it is filled.
 */
import { settled } from './support/settled.ts'
import { expect, test } from './support/test.ts'

for (const [name, path] of [
  ['build', '/?chord=Ebmaj7&arrangement=drop-2&strings=5432&shape=x6878x'],
  ['map', '/map?chord=C&arrangement=close&strings=321'],
  ['arpeggio', '/arpeggio?chord=Cmaj7&position=7&from=lowest'],
  ['key', '/key?key=Bb'],
  ['path', '/path'],
  ['practice', '/practice'],
  ['book', '/book?tag=the+Lantern+Room'],
  ['sheet', '/sheet?sheet=3'],
  ['setup', '/setup'],
] as const)
  test(`the tree of ${name}`, async ({ page }) => {
    await page.goto(path)
    await settled(page)
    await expect(page.getByRole('main')).toMatchAriaSnapshot({ name: `${name}.aria.yml` })
  })

/** What they hold is of today and differs from day to day; how they are built does not. */
const OF_TODAY = {
  '/logbook?row=m7+x0201x&root=8': `
    - heading "Logbook" [level=1]
    - region "The logbook":
      - paragraph:
        - 'button "Material: everything"'
        - button /^Wished tempo/
      - group "Acts":
        - link /^Practise what is due/
        - button "as tables"
      - button "Undo" [disabled]
      - button "Keys"
    - region "Where the hand is at home":
      - heading "Where the hand is at home" [level=2]
      - table "Shapes by root":
        - rowgroup:
          - row:
            - columnheader "Shape"
            - columnheader "E♭"
            - columnheader "From slowest to quickest"
        - rowgroup:
          - row:
            - rowheader "m7 on 5"
            - cell:
              - 'button /^A♭m7 on string 5: clean at \\d+, played \\d+ times, last/'
    - region "Over time":
      - heading "Over time" [level=2]
    - complementary:
      - region "This shape on this root":
        - paragraph:
          - link "practise it R"
        - list "Its history":
          - listitem:
            - button /^Correct the entry of/
      - region "Due today":
        - list
      - region "Asks for more":
        - list`,
  '/cards': `
    - heading "Cards of the day" [level=1]
    - region "The day":
      - paragraph:
        - button /^Cards in a day/
      - group "Acts":
        - button "play it"
        - button "look it up"
      - button "Keys"
    - region "Card":
      - heading /./ [level=2]
      - textbox "Answer"
    - complementary "The day’s cards":
      - region "Today’s list":
        - heading /^Today/ [level=2]
        - list`,
}
for (const [path, tree] of Object.entries(OF_TODAY))
  test(`the tree of ${path}`, async ({ page }) => {
    await page.goto(path)
    await expect(page.locator('[data-alive]')).toBeVisible()
    await expect(page.getByRole('main')).toMatchAriaSnapshot(tree)
  })
