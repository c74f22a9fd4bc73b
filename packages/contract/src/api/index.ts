export { API, AREAS, ENTRY_KINDS, type ApiName, type EntryKindName } from './api';
export { openApi } from './openApi';
