declare namespace App {
  type Served = import('./data/repositories.ts').Served
  interface Locals extends Served {
    /** What every page is given. */
    readonly page: () => import('./state/page.ts').PageData
    /** What the Book holds. */
    readonly contents: () => import('./contracts/book.ts').BookContents
  }
}
