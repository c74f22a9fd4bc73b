import { useState } from 'react';
import { useGet, useHouse, showVolume, type Reply } from '../data';
import { labelSheet, saveFile } from '../print';
import { Button, Checkbox } from '../ui';
import type { Rack } from './layoutRoom';

const LOOPBACK = /^(localhost|127\.|\[::1\])/;

/** Chooses the racks whose tanks get labels, and whether boxes, bags and jars get theirs, and makes the sheet. */
export function LabelsForm({
  racks,
  vessels,
  done,
}: {
  racks: readonly Rack[];
  vessels: Reply<'room'>['vessels'];
  done: () => void;
}) {
  const house = useHouse();
  const life = useGet('tankLife');
  const reach = useGet('reach');
  const address = reach.data?.address ?? window.location.origin;
  const isReachable = Boolean(reach.data?.address) || !LOOPBACK.test(window.location.hostname);
  const [chosen, setChosen] = useState<readonly string[]>(racks.map((rack) => rack.id));
  const [withVessels, setWithVessels] = useState(false);
  const [busy, setBusy] = useState(false);
  const tanks = racks
    .filter((rack) => chosen.includes(rack.id))
    .flatMap((rack) => rack.shelves.flatMap((shelf) => shelf.tanks.map((tank) => ({ rack, tank }))));
  const boxes = withVessels ? vessels : [];
  const addressOf = (code: string) => `${address}/t/${encodeURIComponent(code)}`;
  async function make(): Promise<void> {
    setBusy(true);
    const lives = new Map((life.data ?? []).map((one) => [one.tankId, one]));
    const bytes = await labelSheet('Tank labels', [
      ...tanks.map(({ rack, tank }) => ({
        code: tank.code,
        address: addressOf(tank.code),
        lines: [
          `${rack.code} ${rack.name}`,
          showVolume(tank.litres, house),
          tank.equipment.heaterW > 0 ? `heater ${tank.equipment.heaterW} W` : 'no heater',
          rack.quarantine ? 'QUARANTINE: own tools' : '',
          [...new Set((lives.get(tank.id)?.lots ?? []).map((lot) => lot.speciesName))].join(', '),
        ].filter(Boolean),
      })),
      ...boxes.map(({ id, code, litres }) => ({
        code,
        address: addressOf(code),
        lines: [
          lives.get(id)?.vessel?.words ?? '',
          showVolume(litres, house),
          [...new Set((lives.get(id)?.lots ?? []).map((lot) => lot.speciesName))].join(', '),
        ].filter(Boolean),
      })),
    ]);
    saveFile(bytes, 'tank-labels.pdf', 'application/pdf');
    setBusy(false);
    done();
  }
  return (
    <div className="flex flex-col gap-2">
      {racks.map((rack) => (
        <Checkbox
          checked={chosen.includes(rack.id)}
          onChange={(event) => setChosen(event.target.checked ? [...chosen, rack.id] : chosen.filter((id) => id !== rack.id))}
        >
          {rack.code} {rack.name}
        </Checkbox>
      ))}
      {vessels.length > 0 && (
        <Checkbox checked={withVessels} onChange={(event) => setWithVessels(event.target.checked)}>
          Boxes, bags and jars
        </Checkbox>
      )}
      <p className="text-note text-quiet">
        {tanks.length + boxes.length} labels, ten on a page of A4. The code leads to {address}.{' '}
        {isReachable
          ? 'A phone in your network opens it.'
          : 'Only this computer opens that: see House menu, On your phone, before you print.'}
      </p>
      <div>
        <Button
          look="main"
          disabled={busy || tanks.length + boxes.length === 0 || (!reach.data && !reach.error)}
          onClick={() => void make()}
        >
          {busy ? 'Making …' : 'Make the labels'}
        </Button>
      </div>
    </div>
  );
}
