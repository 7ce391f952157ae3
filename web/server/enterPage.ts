/** The page that asks for the passphrase: plain, so that it works before anything else is let through. */
import { escaped, plainPage } from './plainPage.ts'

/** @param to Where to go on. @param problem What went wrong with the last try. */
export const enterPage = (to: string, problem: string | undefined): string =>
  plainPage(
    'Come in',
    `<p>This one is kept by somebody else and asks for its passphrase.</p>
<form method="post" action="/enter">
<label for="passphrase">Passphrase</label>
<input id="passphrase" name="passphrase" type="password" autocomplete="current-password" required autofocus${problem === undefined ? '' : ' aria-invalid="true" aria-describedby="problem"'}>
<input type="hidden" name="to" value="${escaped(to)}">
${problem === undefined ? '' : `<p id="problem" role="alert">${escaped(problem)}</p>`}
<button type="submit">Come in</button>
</form>`,
  )
