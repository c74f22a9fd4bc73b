export { saveFile } from './saveFile';
export { createDocument, fitText, printable } from './document';
