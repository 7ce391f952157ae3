/** Whether this page was come to by Back or Forward: what the browser had stored of it may be older than what is kept. */
export const cameBack = (): boolean => {
  const [entry] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[]
  return entry?.type === 'back_forward'
}
