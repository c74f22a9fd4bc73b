export { API, AREAS, ENTRY_KINDS, schemaOf, type ApiName, type EntryBody, type EntryKindName } from './api';
export { openApi, recipeFileSchema } from './openApi';
