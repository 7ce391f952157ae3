/** Stands for packages that jsPDF loads only to draw web pages, which is never asked of it here (`astro.config.ts`). */
export default undefined
