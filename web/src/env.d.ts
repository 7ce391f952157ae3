declare namespace App {
  interface Locals extends import('./data/repositories.ts').Repositories {}
}
