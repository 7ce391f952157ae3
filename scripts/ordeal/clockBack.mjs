/** Loaded before the server: its clock is so many ms behind. */
const back = Number(process.env['ORDEAL_CLOCK_BACK_MS'] ?? 0)
const Real = Date
globalThis.Date = class extends Real {
  constructor(...given) {
    if (given.length === 0) super(Real.now() - back)
    else super(...given)
  }
  static now() {
    return Real.now() - back
  }
}
