export { API, type ApiName } from './api';
export { openApi } from './openApi';
