'use client';

import { useState, type ReactNode } from 'react';
import Form from 'react-bootstrap/Form';
import Button from 'react-bootstrap/Button';
import { compileNeutral } from '#core/lut/neutral.ts';
import { monitoringRecipe } from '#core/lut/monitoringRecipe.ts';
import {
  screenLight,
  screenOffset,
  stopsOfScreen,
  SURROUND_IDS,
  SURROUNDS,
  trustOf,
  veilOf,
  type SurroundId,
} from '#core/lut/screenTrust.ts';
import { printStopsDecimal, printStopsOf } from '#core/units.ts';
import type { MonitorRecord } from '#store/records/bag.ts';
import { between } from '#store/records/common.ts';
import { screenCheckOf, type ScreenCheck } from '#store/records/screen.ts';
import { useBench, useCard, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/kitScreens.ts';
import { TestPicture } from './TestPicture.tsx';

/** Off by less nobody sees, stops. */
const RIGHT = 0.1;

/** A span in which nothing can be judged, stops. Our own choice. */
const LEAST_SPAN = 3;

const PLAIN: ScreenCheck = { surround: 'dim' };

/** The picture of the set-up on a screen: recorded signal to the screen's. */
const usePicture = () => {
  const { plan, profile } = useSelection();
  const { numbers } = useCard();
  const { neutral } = compileNeutral(monitoringRecipe({ profile: profile.data, pullStops: plan.placement }));
  return { neutral, profile: numbers.profile, card: neutral(numbers.profile.signalAt(plan.placement)) };
};

const offsetWords = ({ offset = 0, how }: ScreenCheck): string => {
  const at = how ? words.at(how) : '';
  return Math.abs(offset) < RIGHT
    ? words.right(at)
    : words.shows(printStopsOf(offset), offset > 0 ? words.bright : words.darkSide, at);
};

const Trusted = ({ monitor, check }: { monitor: MonitorRecord; check: ScreenCheck }) => {
  const { neutral, profile } = usePicture();
  const { surround, dark, bright } = check;
  const trust = trustOf(profile, neutral, { surround, peak: monitor.peak, seen: { dark, bright } });
  const isBlind = trust.to - trust.from < LEAST_SPAN;
  const [from, to] = [printStopsDecimal(trust.from), printStopsDecimal(trust.to)];
  return (
    <>
      <p className={isBlind ? 'solved text-warn' : 'solved'}>
        <strong>{isBlind ? words.blind : words.trust(from, to)}</strong>
      </p>
      <p>
        {words.stops(printStopsOf(stopsOfScreen(surround, monitor.peak)))}{' '}
        <span className="quiet">{words.peakOf(monitor.peak, Number(veilOf(surround).toPrecision(2)))}</span>
      </p>
      {!isBlind && (
        <>
          <p>{words.under(from, trust.by === 'seen' ? words.bySteps : words.bySurround)}</p>
          <p>{words.over(to)}</p>
        </>
      )}
      {check.offset !== undefined && (
        <p className={Math.abs(check.offset) < RIGHT ? undefined : 'text-warn'}>{offsetWords(check)}</p>
      )}
      <p className="quiet mb-0">{words.never}</p>
    </>
  );
};

const Check = ({ monitor, children }: { monitor: MonitorRecord; children: ReactNode }) => {
  const { book } = useBench();
  const { card } = usePicture();
  const check = screenCheckOf(monitor) ?? PLAIN;
  const keep = (part: Partial<ScreenCheck>) =>
    void book.edit({
      label: words.saved,
      changes: [
        {
          table: 'monitors',
          id: monitor.id,
          before: monitor,
          after: { ...monitor, check: { ...check, ...part } },
        },
      ],
    });
  const should = screenLight(card, monitor.peak);
  return (
    <>
      <div className="anchor-form">
        {children}
        <Form.Group className="anchor-half">
          <Form.Label htmlFor="screen-surround">{words.surround}</Form.Label>
          <Form.Select
            id="screen-surround"
            size="sm"
            value={check.surround}
            onChange={(event) => keep({ surround: event.target.value as SurroundId })}
          >
            {SURROUND_IDS.map((id) => (
              <option key={id} value={id}>
                {SURROUNDS[id].name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
      <div className="screen-check">
        <div>
          <Panel title={words.title} note={monitor.name}>
            <Trusted monitor={monitor} check={check} />
          </Panel>
          <Panel title={words.offset} className="mt-3">
            <div className="anchor-form">
              <NumberField
                className="anchor-half"
                label={words.measured}
                rule={{ schema: between(0.01, 10_000), says: words.typeMeasured }}
                value={Number((should * 2 ** (check.offset ?? 0)).toPrecision(3))}
                isExample={check.offset === undefined}
                onSet={(measured) =>
                  keep({ offset: Number(screenOffset(measured, card, monitor.peak).toFixed(2)) })
                }
              />
              <Form.Group className="anchor-half">
                <Form.Label htmlFor="screen-how">{words.how}</Form.Label>
                <Form.Control
                  key={monitor.id}
                  id="screen-how"
                  maxLength={60}
                  placeholder={words.howExample}
                  defaultValue={check.how ?? ''}
                  onBlur={(event) => {
                    const how = event.target.value.trim();
                    if (how !== (check.how ?? '')) keep({ how: how === '' ? undefined : how });
                  }}
                />
              </Form.Group>
            </div>
            <p className="quiet mt-2 mb-0">
              {words.should(Number(should.toPrecision(3)))} {words.meterHow}
            </p>
          </Panel>
        </div>
        <div>
          <TestPicture
            card={card}
            dark={check.dark}
            bright={check.bright}
            onDark={(dark) => keep({ dark })}
            onBright={(bright) => keep({ bright })}
          />
          {(check.dark !== undefined || check.bright !== undefined) && (
            <Button
              variant="outline-secondary"
              size="sm"
              className="mt-2"
              onClick={() => keep({ dark: undefined, bright: undefined })}
            >
              {words.forget}
            </Button>
          )}
        </div>
      </div>
    </>
  );
};

/** What can be judged by eye on a screen, and how far off it is. */
export const ScreensView = () => {
  const { monitors } = useRecords();
  const list = [...monitors.values()];
  const [picked, setPicked] = useState<string>();
  const monitor = list.find(({ id }) => id === picked) ?? list[0];
  if (!monitor)
    return (
      <Panel title={words.title}>
        <p className="mb-0">{words.noMonitor}</p>
      </Panel>
    );
  return (
    <Check key={monitor.id} monitor={monitor}>
      <Form.Group className="anchor-half">
        <Form.Label htmlFor="screen-monitor">{words.monitor}</Form.Label>
        <Form.Select
          id="screen-monitor"
          size="sm"
          value={monitor.id}
          onChange={(event) => setPicked(event.target.value)}
        >
          {list.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
    </Check>
  );
};
