declare namespace App {
  type Repositories = import('./data/repositories.ts').Repositories
  interface Locals extends Repositories {}
}
