/** The usual cautions: for hands, ears and strings; always to be found here. */
import classes from '../SetupView.module.css'

export const TakeCare = () => (
  <section aria-label="Take care" className={classes['block']}>
    <h2>Take care</h2>
    <ul className={classes['aside']}>
      <li>Warm up before wide shapes; stretches grow over weeks, not in a sitting.</li>
      <li>Stop at pain, tingling or numbness. Rest every 20 to 30 minutes.</li>
      <li>Symptoms that last belong to a physician or a hand therapist, not to an application.</li>
      <li>Keep headphones moderate: if speech beside you is hard to follow, it is too loud.</li>
      <li>
        A string tuned more than two semitones above its design pitch can snap: take another gauge, and wear eye
        protection.
      </li>
      <li>
        The pull is an estimate for the gauge that is usual at the string’s own pitch: T = μ (2 L f)², with μ from the
        diameter of steel, 0.86 of it when wound.
      </li>
    </ul>
  </section>
)
