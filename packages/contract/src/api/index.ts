export { API, AREAS, ENTRY_KINDS, type ApiName, type EntryKindName } from './api';
export { openApi, recipeFileSchema } from './openApi';
