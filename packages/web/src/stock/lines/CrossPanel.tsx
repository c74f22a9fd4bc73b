import { useState } from 'react';
import { runCalculation } from '@freshet/contract/bench';
import { broodTest, forecastCross, SEX_GENOTYPES, type Delicate, type Locus, type SexSystem } from '@freshet/core/stock';
import { showPercent, useHouse } from '../../data';
import { Dialog, LinkButton, Notice, Panel, SelectField, TextField, Why } from '../../ui';
import { classKey, CrossYoung } from './CrossYoung';
import type { Gene, Genes } from './gene';
import { GeneForm } from './GeneForm';
import { GenotypeForm } from './GenotypeForm';
import { InferredParents } from './InferredParents';
import type { LineAnimal } from './useLine';

const EXAMPLE: Gene = {
  speciesKey: '',
  locus: 'colour',
  inheritance: 'autosomal',
  dominance: 'complete',
  alleles: ['A', 'a'],
  delicate: null,
};
/** Missing copies are written as "-": the genotype a chromosome pair has room for, starting from the first allele. */
function startOf(gene: Gene, sex: string, system: SexSystem): string {
  const first = gene.alleles[0] ?? 'A';
  if (gene.inheritance === 'autosomal') return `${first}/${gene.alleles[1] ?? first}`;
  const carrier = system === 'ZW' ? 'Z' : 'X';
  return [...sex].map((chromosome) => (chromosome === carrier ? first : '-')).join('/');
}

/** A cross with its young, the test of a brood, and the genes it is about. */
export function CrossPanel({ speciesKey, known, animals }: { speciesKey: string; known: Genes; animals: readonly LineAnimal[] }) {
  const house = useHouse();
  const [system, setSystem] = useState<SexSystem>('XY');
  const [sexes, setSexes] = useState({ sire: 'XY', dam: 'XX' });
  const [lots, setLots] = useState({ sire: '', dam: '' });
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [counted, setCounted] = useState<Readonly<Record<string, string>>>({});
  const [wantedText, setWanted] = useState('3');
  const [sheet, setSheet] = useState<'gene' | 'genotype' | null>(null);
  const genes = known.genes.length > 0 ? known.genes : [EXAMPLE];
  const genotypeOf = (side: 'sire' | 'dam', gene: Gene): string =>
    typed[`${side} ${gene.locus}`] ??
    known.genotypes.find(({ lotId, locus }) => lotId === lots[side] && locus === gene.locus)?.genotype ??
    startOf(gene, sexes[side], system);
  const loci = genes.map((gene): Locus => ({ ...gene, sire: genotypeOf('sire', gene), dam: genotypeOf('dam', gene) }));
  const input = { sexSystem: system, sireSex: sexes.sire, damSex: sexes.dam, loci };
  const answer = runCalculation('stock.cross', input);
  const problem = 'error' in answer ? answer : null;
  const delicate = genes.flatMap(({ locus, delicate: one }): Delicate[] =>
    one ? [{ locus, allele: one.allele, survival: one.survival }] : [],
  );
  const forecast = problem ? null : forecastCross(input, delicate);
  const wanted = /^\d{1,3}$/.test(wantedText) && Number(wantedText) > 0 ? Number(wantedText) : null;
  const counts = (forecast?.survivors ?? []).map((kind) => counted[classKey(kind, genes)]?.trim() ?? '');
  const any = counts.some((text) => text !== '');
  const wrongCount = counts.some((text) => text !== '' && !/^\d{1,5}$/.test(text));
  const observed = counts.map((text) => (/^\d{1,5}$/.test(text) ? Number(text) : 0));
  const test =
    forecast && any && !wrongCount && observed.some((count) => count > 0)
      ? broodTest({ expected: forecast.survivors.map(({ probability }) => probability), observed })
      : null;
  const errorAt = (side: 'sire' | 'dam', i: number) => (problem?.field === `loci.${i}.${side}` ? problem.message : undefined);
  const side = (which: 'sire' | 'dam') => {
    const wantedSex = which === 'sire' ? 'males' : 'females';
    return (
      <fieldset className="min-w-0">
        <legend className="sr-only">{which === 'sire' ? 'Sire' : 'Dam'}</legend>
        <div className="flex flex-wrap gap-3">
          <SelectField
            label={which === 'sire' ? 'Sire' : 'Dam'}
            boxClass="w-44"
            value={lots[which]}
            onChange={(event) => {
              setLots({ ...lots, [which]: event.target.value });
              setTyped(Object.fromEntries(Object.entries(typed).filter(([key]) => !key.startsWith(`${which} `))));
            }}
          >
            <option value="">by genotype only</option>
            {animals
              .filter(({ likelySex }) => likelySex === wantedSex || likelySex === null)
              .map((animal) => (
                <option key={animal.id} value={animal.lotId}>
                  {animal.label}
                </option>
              ))}
          </SelectField>
          {system === 'WXY' && (
            <SelectField
              label={`${which}, chromosomes`}
              boxClass="w-32"
              value={sexes[which]}
              onChange={(event) => setSexes({ ...sexes, [which]: event.target.value })}
            >
              {SEX_GENOTYPES[system][wantedSex].map((sex) => (
                <option key={sex}>{sex}</option>
              ))}
            </SelectField>
          )}
          {genes.map((gene, i) => (
            <TextField
              key={gene.locus}
              label={`${gene.locus} of the ${which}`}
              boxClass="w-36"
              className="font-mono"
              value={genotypeOf(which, gene)}
              error={errorAt(which, i)}
              onChange={(event) => setTyped({ ...typed, [`${which} ${gene.locus}`]: event.target.value })}
            />
          ))}
        </div>
      </fieldset>
    );
  };
  return (
    <div className="grid divide-y divide-rule border border-rule bg-sheet lg:grid-cols-[1.5fr_1fr] lg:divide-x lg:divide-y-0">
      <div className="min-w-0 divide-y divide-rule">
        <div className="grid gap-4 px-4 py-3 sm:grid-cols-2">
          {side('sire')}
          {side('dam')}
        </div>
        <Panel
          title="The young"
          aside={
            <Why
              about="What a cross gives"
              formula="Each egg and sperm gets either of the parent’s two chromosomes, fifty-fifty. Genes are independent; sex-linked ones go with their chromosome. Shares are of those that live."
              source="docs/sources.md#cross"
            />
          }
        >
          {problem && problem.field?.startsWith('loci.') !== true && (
            <p role="alert" className="font-semibold text-rust">
              {problem.message}
            </p>
          )}
          {problem && problem.field?.startsWith('loci.') && <p className="text-quiet">One genotype needs another look.</p>}
          {forecast && wanted && (
            <CrossYoung
              classes={forecast.survivors}
              loci={genes}
              wanted={wanted}
              counted={counted}
              count={(key, text) => setCounted({ ...counted, [key]: text })}
            />
          )}
          {forecast && forecast.expectedLoss > 0 && (
            <Notice className="mt-2">
              About <b>{showPercent(forecast.expectedLoss)}</b> of the eggs die because they carry a delicate colour twice. Expect
              that many fewer, and avoid this cross next time.
            </Notice>
          )}
        </Panel>
      </div>
      <div className="divide-y divide-rule">
        <Panel title="Does your brood fit?">
          {wrongCount && <p className="font-semibold text-rust">Count in whole animals.</p>}
          {!test && !wrongCount && <p className="text-quiet">Enter how many of each you counted.</p>}
          {test && (
            <>
              <p>
                Chance of a brood this odd or odder:{' '}
                <b className="text-code">{test.pValue < 0.001 ? 'under 0.1 %' : showPercent(test.pValue)}</b>{' '}
                <Why
                  about="Does the brood fit the cross?"
                  formula={
                    test.method === 'exact'
                      ? 'The chances of all broods of this size that are no likelier than the one counted, added up (exact multinomial test).'
                      : 'Chi-square test; there are too many possible broods to count them one by one.'
                  }
                  source="docs/sources.md#brood-test"
                />
              </p>
              <p>
                {test.pValue < 0.05
                  ? 'The parents are probably not the ones you think, or one kind dies early.'
                  : 'It fits. No reason to doubt the parents.'}
              </p>
            </>
          )}
          {any && !wrongCount && forecast && genes[0] && (
            <InferredParents
              gene={genes[0]}
              system={system}
              sexes={sexes}
              classes={forecast.survivors}
              observed={observed}
              loci={loci}
            />
          )}
        </Panel>
        <div className="grid gap-3 px-4 py-3 sm:grid-cols-2">
          <TextField
            label="How many do you want?"
            inputMode="numeric"
            hint="95 % sure"
            value={wantedText}
            error={wanted ? undefined : '1 or more.'}
            onChange={(event) => setWanted(event.target.value)}
          />
          <SelectField
            label="Sex chromosomes"
            value={system}
            onChange={(event) => {
              const next = event.target.value as SexSystem;
              setSystem(next);
              setTyped({});
              setSexes({ sire: SEX_GENOTYPES[next].males[0] ?? '', dam: SEX_GENOTYPES[next].females[0] ?? '' });
            }}
          >
            <option value="XY">X and Y</option>
            <option value="ZW">Z and W</option>
            <option value="WXY">W, X and Y</option>
          </SelectField>
        </div>
        <Panel title="Genes of this species">
          {known.genes.length === 0 && <p className="text-quiet">None named yet; this is an example.</p>}
          {known.genes.map((gene) => (
            <p key={gene.locus} className="border-b border-rule py-1">
              <b>{gene.locus}</b> <span className="font-mono">{gene.alleles.join(' > ')}</span>{' '}
              <span className="text-note text-quiet">
                {gene.inheritance === 'sexLinked' ? 'sex-linked, ' : ''}
                {gene.dominance} dominance
                {gene.delicate &&
                  `; ${gene.delicate.allele}/${gene.delicate.allele} delicate: ${showPercent(gene.delicate.survival)} live`}
              </span>
            </p>
          ))}
          {house.may('keeper') && (
            <p className="flex flex-wrap gap-4 pt-1">
              <LinkButton onClick={() => setSheet('gene')}>name a gene</LinkButton>
              {known.genes.length > 0 && (
                <LinkButton onClick={() => setSheet('genotype')}>note what an animal carries</LinkButton>
              )}
            </p>
          )}
        </Panel>
      </div>
      <Dialog title={sheet === 'gene' ? 'A gene' : 'What an animal carries'} open={sheet !== null} onClose={() => setSheet(null)}>
        {sheet === 'gene' && <GeneForm speciesKey={speciesKey} done={() => setSheet(null)} />}
        {sheet === 'genotype' && <GenotypeForm genes={known.genes} animals={animals} done={() => setSheet(null)} />}
      </Dialog>
    </div>
  );
}
