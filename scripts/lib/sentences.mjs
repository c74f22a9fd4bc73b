import { readFileSync, readdirSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import ts from 'typescript';

/** Where words of a keeper's screen come from. */
const SOURCES = ['core', 'contract', 'server', 'web'].map((name) => `packages/${name}/src`);
/** Attributes of elements that nobody reads. */
const UNREAD = /^(className|boxClass|id|to|href|name|type|role|d|viewBox|fill|stroke.*|key|rel|style|look|points|transform)$/;
/** Words in a row: at least two, as people write them. */
const IS_WORDS = /[A-Za-z’'-]{2,}[,;:.]? (\S+ )*[A-Za-z’'-]{1,}/;
const IS_CODE =
  /(^|\s)(SELECT|INSERT|UPDATE|DELETE|ALTER|px-|py-|gap-|text-|bg-|border-|grid-|flex|url\(|var\(|translate\()|\|.*\|/;

function* sourceFiles(folder) {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) {
      if (name !== 'fixtures' && name !== 'testing') yield* sourceFiles(path);
    } else if (/\.tsx?$/.test(name) && !/\.test\.tsx?$|Fixture/.test(name)) yield path;
  }
}

/**
 * The words that stand in the sources of what a keeper reads, each once with its first place; what is put in stands as {…}.
 * @param {string} root - of the repository
 * @returns {{ file: string, line: number, words: string }[]}
 */
export function sentencesOf(root) {
  const found = new Map();
  for (const source of SOURCES)
    for (const path of sourceFiles(join(root, source))) {
      const file = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
      const keep = (/** @type {ts.Node} */ node, /** @type {string} */ text) => {
        const words = text.replace(/\s+/g, ' ').trim();
        if (!IS_WORDS.test(words) || IS_CODE.test(words) || found.has(words)) return;
        const { line } = file.getLineAndCharacterOfPosition(node.getStart());
        found.set(words, { file: relative(root, path), line: line + 1, words });
      };
      const visit = (/** @type {ts.Node} */ node) => {
        if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return;
        if (ts.isJsxAttribute(node) && UNREAD.test(node.name.getText())) return;
        if (ts.isPropertyAssignment(node) && /^(summary|className|sql)$/.test(node.name.getText())) return;
        if (ts.isJsxText(node) || ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) keep(node, node.text);
        else if (ts.isTemplateExpression(node))
          keep(node, node.head.text + node.templateSpans.map(({ literal }) => `{…}${literal.text}`).join(''));
        ts.forEachChild(node, visit);
      };
      visit(file);
    }
  return [...found.values()].sort((a, b) => (a.file < b.file ? -1 : a.file > b.file ? 1 : a.line - b.line));
}

/** Words that are not said, and what is; the whole measure is docs/voice.md. */
const NOT_SAID = [
  [/\boutlets?\b/i, 'buyer'],
  [/\bschools?\b/i, 'way'],
  [/\battempts?\b/i, 'spawning'],
  [/\bsomebody\b/i, 'someone, or what they are'],
  [/\ball the same\b/i, 'anyway'],
  [/\bof its own kind\b/i, 'of the same species'],
  [/\bby the curve\b/i, 'about, estimated'],
  [/^Empty:/, '"leave empty …" or an example'],
  [/\bbears?\b/i, 'can take'],
  [/(^|[^\d.])0 of\b/, 'none of'],
  [/(^|[^\d.])1 (weeks|days|tanks|eggs)\b/, 'the singular'],
];
const MOST_WORDS = 22;
/** Formulas, the words that jotted lines are made of, and what only a log of the program shows. */
const NOT_READ = /\/(jot|bench|app|platform)\/|evidence\/factors|rations\.ts$|houseTable|samples\.repository/;

/** What is wrong with words by the rules that a program can hold; empty when nothing is. */
export function faultsOf(/** @type {{ file: string, line: number, words: string }[]} */ sentences) {
  return sentences
    .filter(({ file }) => !NOT_READ.test(file))
    .flatMap(({ file, line, words }) => [
      ...NOT_SAID.filter(([rule]) => rule.test(words)).map(([, say]) => `${file}:${line} say ${say}: ${words}`),
      ...words
        .split(/(?<=[.!?;:])\s/)
        .filter((sentence) => sentence.split(' ').length > MOST_WORDS)
        .map((sentence) => `${file}:${line} longer than ${MOST_WORDS} words: ${sentence}`),
    ]);
}
