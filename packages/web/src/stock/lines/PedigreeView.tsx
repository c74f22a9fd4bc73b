import { useMemo, useState } from 'react';
import { formatNumber } from '@freshet/core/units';
import type { Reply } from '../../data';
import { Button, Empty, SelectField, useWidth, Why } from '../../ui';
import { layoutPedigree, repeated, type TreeNode } from './pedigreeTree';
import { useKinshipOf, type LineAnimal } from './useLine';

const ROW = 34;
const BOX = 26;
const GAP = 18;
const OPEN_DEPTH = 4;
const LEAST_BOX = 96;

function Box({
  node,
  x,
  width,
  name,
  mark,
  toggle,
}: {
  node: TreeNode;
  x: number;
  width: number;
  name: string;
  mark: number | null;
  toggle: () => void;
}) {
  const y = node.row * ROW + (ROW - BOX) / 2;
  const unknown = node.id === null;
  const most = Math.floor((width - 24) / 7.2);
  const text = name.length > most ? `${name.slice(0, Math.max(3, most - 1))}…` : name;
  const sex = node.way === '' ? 'the animal' : node.way.endsWith('s') ? 'sire' : 'dam';
  return (
    <g
      role={node.hasParents ? 'button' : 'img'}
      tabIndex={node.hasParents ? 0 : undefined}
      aria-expanded={node.hasParents ? !node.isFolded : undefined}
      aria-label={`${sex}: ${name}${mark === null ? '' : ', stands here more than once'}`}
      className={node.hasParents ? 'cursor-pointer' : ''}
      onClick={() => node.hasParents && toggle()}
      onKeyDown={(event) => node.hasParents && (event.key === 'Enter' || event.key === ' ') && toggle()}
    >
      <title>
        {name}
        {node.others > 0 ? `, ${Math.round(node.probability * 100)} %` : ''}
      </title>
      <rect
        x={x}
        y={y}
        width={width}
        height={BOX}
        fill={unknown ? 'none' : 'var(--sheet)'}
        stroke={unknown ? 'var(--edge)' : 'var(--ink)'}
        strokeDasharray={unknown || node.others > 0 ? '4 3' : undefined}
        strokeWidth={mark === null ? 1 : 2}
      />
      <rect
        x={x}
        y={y}
        width={4}
        height={BOX}
        fill={unknown ? 'none' : node.way === '' || node.way.endsWith('s') ? 'var(--deep)' : 'var(--breeders)'}
      />
      <text
        x={x + 9}
        y={y + BOX / 2 + 4.5}
        fontSize={13}
        fill={unknown ? 'var(--quiet)' : 'var(--ink)'}
        fontWeight={node.way === '' ? 700 : 400}
      >
        {unknown ? 'not known' : text}
      </text>
      {mark !== null && (
        <text x={x + width - 6} y={y + BOX / 2 + 4.5} fontSize={12} textAnchor="end" fontWeight={700} fill="var(--rust)">
          {String.fromCharCode(65 + (mark % 26))}
        </text>
      )}
      {node.isFolded && <path d={`M${x + width + 3},${y + 7} l5,6 l-5,6`} fill="none" stroke="var(--ink)" strokeWidth={2} />}
    </g>
  );
}

/** Who were its ancestors, and through whom is it inbred? */
export function PedigreeView({
  records,
  animals,
  labels,
  chosen,
  choose,
}: {
  records: Reply<'pedigree'>['pedigree'];
  animals: readonly LineAnimal[];
  labels: Readonly<Record<string, string>>;
  chosen: string | null;
  choose: (lotId: string) => void;
}) {
  const [measure, width] = useWidth<HTMLDivElement>();
  const [turned, setTurned] = useState<Readonly<Record<string, boolean>>>({});
  const everybody = useMemo(
    () => records.map(({ id }) => ({ id, label: labels[id] ?? id })).sort((a, b) => (a.label < b.label ? -1 : 1)),
    [records, labels],
  );
  const root =
    everybody.find(({ id }) => id === chosen || id.split('#')[0] === chosen)?.id ??
    animals.find(({ id }) => records.some((record) => record.id === id && (record.sires?.length ?? 0) > 0))?.id ??
    everybody[0]?.id;
  const kin = useKinshipOf(records, root ? [root] : []);
  if (!root) return <Empty title="No pedigree yet">Add parents on a fish’s card, or breed some here.</Empty>;
  const { nodes, rows, depth } = layoutPedigree(records, root, (way, at) => turned[way] ?? at < OPEN_DEPTH);
  const twice = [...repeated(nodes)];
  const box = Math.max(LEAST_BOX, Math.min(200, (width - 24) / (depth + 1) - GAP));
  const xOf = (node: TreeNode) => 2 + node.depth * (box + GAP);
  const nodeAt = new Map(nodes.map((node) => [node.way, node]));
  const inbreeding = kin?.inbreeding[root] ?? null;
  return (
    <div className="border border-rule bg-sheet px-4 py-3">
      <div className="mb-2 flex flex-wrap items-end gap-4">
        <SelectField
          label="Animal"
          boxClass="w-64"
          value={root}
          onChange={(event) => {
            setTurned({});
            choose(event.target.value);
          }}
        >
          {everybody.map(({ id, label }) => (
            <option key={id} value={id}>
              {label}
            </option>
          ))}
        </SelectField>
        <p className="pb-2.5">
          Inbreeding <b className="text-code">{inbreeding === null ? '…' : `${formatNumber(inbreeding * 100)} %`}</b>{' '}
          <Why
            about="Inbreeding"
            formula="The chance that both copies of a gene come from the same ancestor."
            source="docs/sources.md#group-kinship"
            notes={['Full brothers and sisters as parents give 25 %, half ones 12.5 %, cousins 6.3 %.']}
          />
        </p>
        {twice.length > 0 && (
          <p className="min-w-0 flex-1 pb-2.5 text-note">
            More than once:{' '}
            {twice.slice(0, 5).map((id, i) => (
              <span key={id} className="mr-2">
                <b className="text-rust">{String.fromCharCode(65 + (i % 26))}</b> {labels[id] ?? id}
              </span>
            ))}
            {twice.length > 5 && `and ${twice.length - 5} more`}
          </p>
        )}
        <span className="ml-auto flex gap-3 pb-0.5">
          <Button onClick={() => setTurned(Object.fromEntries(allWays(records, root).map((way) => [way, true])))}>
            Open all
          </Button>
          <Button onClick={() => setTurned({})}>Fold</Button>
        </span>
      </div>
      <div
        ref={measure}
        className="max-h-[calc(100dvh-330px)] min-h-60 overflow-auto"
        tabIndex={0}
        role="region"
        aria-label="Pedigree"
      >
        {width > 0 && (
          <svg width={Math.max(width - 16, (depth + 1) * (box + GAP) + 16)} height={rows * ROW + 8}>
            {nodes.map((node) =>
              ['s', 'd'].map((side) => {
                const parent = nodeAt.get(node.way + side);
                if (!parent) return null;
                const [x, y] = [xOf(node) + box, (node.row + 0.5) * ROW];
                const y2 = (parent.row + 0.5) * ROW;
                return (
                  <path
                    key={node.way + side}
                    d={`M${x},${y} h${GAP / 2} V${y2} h${GAP / 2}`}
                    fill="none"
                    stroke="var(--edge)"
                    strokeDasharray={parent.others > 0 ? '3 3' : undefined}
                  />
                );
              }),
            )}
            {nodes.map((node) => (
              <Box
                key={node.way}
                node={node}
                x={xOf(node)}
                width={box}
                name={
                  node.id === null
                    ? 'not known'
                    : `${labels[node.id] ?? node.id}${node.others > 0 ? `, one of ${node.others + 1}` : ''}`
                }
                mark={node.id !== null && node.others === 0 && twice.includes(node.id) ? twice.indexOf(node.id) : null}
                toggle={() => setTurned({ ...turned, [node.way]: node.isFolded })}
              />
            ))}
          </svg>
        )}
      </div>
      <p className="mt-1 text-note text-quiet">
        Father above, mother below. Dashed: not certain, likeliest shown. A letter: appears more than once. Tap a box to fold its
        ancestors.
      </p>
    </div>
  );
}

/** Every place of the tree down to eight generations. */
function allWays(records: Reply<'pedigree'>['pedigree'], root: string): string[] {
  return layoutPedigree(records, root, () => true).nodes.map(({ way }) => way);
}
