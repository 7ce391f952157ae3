/** A page that needs nothing of the application: shown where that can't answer, or may not yet. */

export const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`)

/** @param inside HTML, behind the name. */
export const plainPage = (title: string, inside: string): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escaped(title)} · Nestling</title>
<link rel="icon" href="/nestling.svg" type="image/svg+xml">
<link rel="stylesheet" href="/enter.css">
</head>
<body>
<main>
<h1>Nestling</h1>
${inside}
</main>
</body>
</html>
`

/** What leaving ends: this browser's session, or that of everybody who came in. */
export const leavePage = (): string =>
  plainPage(
    'Leave',
    `<p>What you have kept stays on the server. Coming back asks for the passphrase.</p>
<form method="post" action="/leave">
<button type="submit" name="where" value="here">Leave on this browser</button>
<button type="submit" name="where" value="everywhere">Leave everywhere</button>
</form>
<p><a href="/">Stay</a></p>`,
  )

/** @param url Of the view that took too long. */
export const busyPage = (url: string): string =>
  plainPage(
    'Busy',
    `<p role="alert">The server is busy and did not draw this page in time. Nothing that you have kept is lost.</p>
<p><a href="${escaped(url)}">Try again</a></p>`,
  )
