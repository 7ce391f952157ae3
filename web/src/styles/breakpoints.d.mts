export const BREAKPOINTS: Readonly<
  Record<'phone' | 'small' | 'narrow' | 'wide' | 'aside' | 'roomy' | 'notices', string>
>
