/**
 * @param usual Whose data: the player's own, the demo's, or those of development.
 * @returns An absolute path.
 */
export function dataFolder(
  usual: 'own' | 'demo' | 'dev',
  environment?: Readonly<Record<string, string | undefined>>,
): string
