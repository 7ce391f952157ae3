/** The notebook as one JSON file. */
export type { NotebookFile, NotebookTable, NotebookTables } from './notebook.ts'
export {
  EMPTY_TABLES,
  NOTEBOOK_FORMAT,
  NOTEBOOK_TABLES,
  NOTEBOOK_VERSION,
  readNotebook,
  writeNotebook,
} from './notebook.ts'
