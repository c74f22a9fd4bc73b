export { LarderPage } from './LarderPage';
