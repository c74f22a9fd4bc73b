export { kinshipWork, useWork } from './kinshipWork';
