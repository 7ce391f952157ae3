declare namespace App {
  interface Locals {
    shapes: import('./data/repositories.ts').Repositories['shapes']
    instruments: import('./data/repositories.ts').Repositories['instruments']
    settings: import('./data/repositories.ts').Repositories['settings']
  }
}
