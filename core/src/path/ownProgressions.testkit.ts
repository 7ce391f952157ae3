/**
 * Everyday progressions with the grips that a player takes for them, written down before the search was asked. `|` stands
 * between grips that are as usual.
 */
import type { Ensemble, Manner } from '../taste/index.ts'

export interface OwnProgression {
  readonly manner: Manner
  readonly ensemble: Ensemble
  readonly chart: string
  /** A grip for each chord. */
  readonly grips: string
}

const [A, B]: readonly [Ensemble, Ensemble] = ['alone', 'bass-player']
const own = (manner: Manner, ensemble: Ensemble, chart: string, grips: string): OwnProgression => ({
  manner,
  ensemble,
  chart,
  grips,
})

export const OWN_PROGRESSIONS: readonly OwnProgression[] = [
  own('open', A, 'G D Em C', '320003|320033 xx0232 022000 x32010'),
  own('open', A, 'C G Am F', 'x32010 320003|320033 x02210 133211|xx3211'),
  own('open', A, 'D A Bm G', 'xx0232 x02220 x24432 320003|320033'),
  own('open', A, 'A E D A', 'x02220 022100 xx0232 x02220'),
  own('open', A, 'Em Am D G', '022000 x02210 xx0232 320003|320033'),
  own('open', A, 'E A B7 E', '022100 x02220 x21202 022100'),
  own('open', A, 'C Am Dm G7', 'x32010 x02210 xx0231 320001'),
  own('open', A, 'Am G F E', 'x02210 320003|320033 133211|xx3211 022100'),
  own('open', A, 'G C D7 G', '320003|320033 x32010 xx0212 320003|320033'),
  own('open', A, 'D G A7 D', 'xx0232 320003|320033 x02020|x02223 xx0232'),
  own('open', A, 'G D/F# Em C', '320003|320033 2x0232|200232 022000 x32010'),
  own('barre', A, 'G C D G', '355433 x35553 x57775 355433'),
  own('barre', A, 'A D E A', '577655 x57775 x79997 577655'),
  own('barre', A, 'Bb F Gm Eb', 'x13331 133211 355333 x68886'),
  own('barre', A, 'F Bb C F', '133211 x13331 x35553 133211'),
  own('barre', A, 'F#m D A E', '244222 x57775 577655 x79997'),
  own('barre', A, 'Cm Fm G Cm', 'x35543 133111 355433 x35543'),
  own('barre', A, 'Ab Db Eb Ab', '466544 x46664 x68886 466544'),
  own('barre', A, 'Bm G D A', 'x24432 355433 x57775 577655'),
  own('comp', A, 'Dm7 G7 Cmaj7', 'x5756x 3x343x x3545x'),
  own('comp', A, 'Gm7 C7 Fmaj7', '3x333x x3535x 1x221x'),
  own('comp', A, 'Cm7 F7 Bbmaj7', 'x3534x 1x121x x1323x'),
  own('comp', A, 'Am7 D7 Gmaj7', '5x555x x5757x|x5453x 3x443x'),
  own('comp', A, 'Dm7b5 G7 Cm7', 'x5656x 3x343x x3534x'),
  own('comp', A, 'Cmaj7 Am7 Dm7 G7', 'x3545x 5x555x x5756x 3x343x'),
  own('comp', A, 'Fmaj7 Gm7 C7 Fmaj7', '1x221x 3x333x x3535x 1x221x'),
  own('comp', A, 'Bbmaj7 Gm7 Cm7 F7', 'x1323x|6x776x 3x333x x3534x 1x121x'),
  own('comp', A, 'Am7 Dm7 G7 Cmaj7', '5x555x x5756x 3x343x x3545x'),
  own('comp', A, 'Em7b5 A7 Dm7', 'x7878x 5x565x x5756x'),
  own('comp', A, 'Abmaj7 Fm7 Bb7 Ebmaj7', '4x554x x-8-10-8-9-x|1x111x 6x676x|x1313x x6878x'),
  own('bossa', A, 'Fmaj7 G7 Gm7 C7', '1x221x 3x343x 3x333x x3535x'),
  own('bossa', A, 'Dm7 G7 Cmaj7 A7', 'x5756x 3x343x x3545x 5x565x'),
  own('bossa', A, 'Cmaj7 C#dim7 Dm7 D#dim7', 'x3545x x4535x x5756x x6757x'),
  own('bossa', A, 'Am7 D7 Gmaj7 Cmaj7', '5x555x x5757x|x5453x 3x443x x3545x'),
  own('blues', A, 'A7 D7 A7 E7', '5x565x|575655|5x5655 x5757x|x5453x|x57575 5x565x|575655|5x5655 x7979x|x7677x|x79797'),
  own('blues', A, 'G7 C7 G7 D7', '3x343x|353433|3x3433 x3535x|x3231x|x35353 3x343x|353433|3x3433 x5757x|x5453x|x57575'),
  own('funk', B, 'Am7 D9', 'xx5555|5x555x|x-x-5-5-5-5 x5455x|x54555|xx4555'),
  own('funk', B, 'E9 A7', 'x7677x|x76777|xx6777 xx5655|5x565x|xx7989'),
  own('comp', B, 'Dm7 G7 Cmaj7', 'x5756x|xx3535|xx7768 3x343x|xx3433|xx3434 x3545x|xx2433|xx5557'),
  own('solo', A, 'C G Am F', 'x32010 320003|320033|3x003x x02210 133211|xx3211|1x321x|1x3211'),
  own('open', A, 'C F G C', 'x32010 133211|xx3211 320003|320033 x32010'),
  own('open', A, 'G Em C D', '320003|320033 022000 x32010 xx0232'),
  own('open', A, 'D Bm G A', 'xx0232 x24432 320003|320033 x02220'),
  own('open', A, 'E C#m A B', '022100 x46654 x02220 x24442'),
  own('open', A, 'Dm Gm A7 Dm', 'xx0231 355333 x02020|x02223 xx0231'),
  own('open', A, 'C G/B Am', 'x32010 x20003|x20033 x02210'),
  own('open', A, 'A D/F# E A', 'x02220 2x0232|200232 022100 x02220'),
  own('barre', A, 'Eb Ab Bb Eb', 'x68886 466544 x13331|688766 x68886'),
  own('barre', A, 'C#m A B E', 'x46654 577655 x24442|799877 x79997'),
  own('barre', A, 'F Dm Bb C', '133211 x57765 x13331|688766 x35553|8-10-10-9-8-8'),
  own('comp', A, 'Ebmaj7 Cm7 Fm7 Bb7', 'x6878x x3534x x-8-10-8-9-x|1x111x 6x676x|x1313x'),
  own('comp', A, 'Bm7b5 E7 Am7', 'x2323x|7x776x x7979x|x7675x 5x555x'),
  own('comp', A, 'Dbmaj7 Bbm7 Ebm7 Ab7', 'x4656x x1312x|6x666x x6867x 4x454x'),
  own('comp', A, 'G6 Am7 D7 G6', '3x243x 5x555x x5757x|x5453x 3x243x'),
  own('comp', A, 'Dm9 G13 Cmaj9', 'x5355x 3x345x x3243x'),
  own('comp', A, 'Gm9 C13 Fmaj9', 'x-10-8-10-10-x 8-x-8-9-10-x x8798x'),
  own('comp', A, 'Cmaj7 Em7 Fmaj7 G7', 'x3545x x7978x 1x221x|x-8-10-9-10-x 3x343x|x-10-12-10-12-x'),
  own('bossa', A, 'Dm7 Db7 Cmaj7', 'x5756x x4646x|x4342x x3545x'),
  own('bossa', A, 'Gm7 Gb7 Fmaj7', '3x333x 2x232x 1x221x'),
  own(
    'blues',
    A,
    'C7 F7 C7 G7',
    '8-x-8-9-8-x|x3535x|x3231x|x35353 1x121x|131211|1x1211 8-x-8-9-8-x|x3535x|x3231x|x35353 3x343x|353433|3x3433',
  ),
  own('funk', B, 'Bm7 E9', 'xx7777|7x777x x7677x|x76777|xx6777'),
  own('solo', A, 'Am C Dm E', 'x02210 x32010 xx0231 022100'),
  own('solo', A, 'G D/F# Em D', '320003|320033|3x003x 2x0232|2x023x|200232 022000 xx0232'),
]
