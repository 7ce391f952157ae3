declare namespace App {
  type Repositories = import('./data/repositories.ts').Repositories
  interface Locals extends Repositories {
    /** What every page is given. */
    readonly page: () => import('./state/page.ts').PageData
  }
}
