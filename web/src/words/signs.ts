/** A typed line as the page writes it: `Bbm7b5 drop 2` is B♭m7♭5 drop 2. */
export const lineSigns = (line: string): string =>
  line
    .replaceAll('#', '♯')
    .replaceAll(/(?<=^|[\s/])([A-G])b/g, '$1♭')
    .replaceAll(/b(?=\d)/g, '♭')
