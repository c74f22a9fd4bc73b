export { codeCells } from './codeCells';
export { saveFile } from './saveFile';
export { labelSheet, type Label } from './labelSheet';
export { createDocument, fitText, printable } from './document';
