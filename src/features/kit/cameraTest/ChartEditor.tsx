'use client';

import { useCallback, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { DESK_CHART_CORNERS, deskChartText } from '#core/cameraTest/film/desk.ts';
import type { FoundIn } from '#core/cameraTest/find/foundIn.ts';
import { CHART_LIGHT_IDS, CHART_LIGHTS, type ChartLightId } from '#core/colour/chartLights.ts';
import { FIRST_CORNERS } from '#core/match/board.ts';
import { BOARD_IDS, BOARDS, type BoardId } from '#core/match/boards.ts';
import type { TestChart } from '#ui/bench/cameraTest/testState.ts';
import { words } from '#ui/wording/kitTest.ts';
import { CornerMarker } from '../CornerMarker.tsx';
import { SmallCanvas } from './SmallCanvas.tsx';
import type { CameraTest } from './useTest.ts';

/** Boards with colours: a grey scale tells no gamut. */
const COLOURED = BOARD_IDS.filter((id) => BOARDS[id].layout.some(({ kind }) => kind === 'colour'));
const STAGE_CHART = { board: 'grid24', corners: DESK_CHART_CORNERS, light: 'd65' } as const;

/** A chart of known colours on the frame of a shot: laid by its corners, its gamut is told. */
export const ChartEditor = ({ test, hold }: { test: CameraTest; hold: FoundIn }) => {
  const { bench, state, asked, range } = test;
  const chart: TestChart = state.chart ?? {
    shotId: hold.shotId ?? '',
    board: 'grid24',
    corners: FIRST_CORNERS,
    text: '',
    light: 'd65',
  };
  const [text, setText] = useState(chart.text);
  const load = useCallback((signal: AbortSignal) => bench.preview(hold, range, signal), [bench, hold, range]);
  const lay = (part: Partial<TestChart>) =>
    void bench.layChart({ ...chart, text, shotId: hold.shotId ?? '', ...part }, hold, asked, range);
  return (
    <div className="test-editor">
      <CornerMarker
        label={words.chartOnFrame}
        nameOf={words.chartCorner}
        corners={chart.corners}
        onLay={(corners) => lay({ corners })}
      >
        <SmallCanvas load={load} label={words.frameOfHold} />
      </CornerMarker>
      <div className="test-editor-fields">
        <Form.Group controlId="test-chart-board">
          <Form.Label>{words.chartBoard}</Form.Label>
          <Form.Select
            size="sm"
            value={chart.board}
            onChange={(event) => lay({ board: event.target.value as BoardId })}
          >
            {COLOURED.map((id) => (
              <option key={id} value={id}>
                {BOARDS[id].name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="test-chart-rows">
          <Form.Label>{words.chartRows}</Form.Label>
          <Form.Control
            as="textarea"
            rows={4}
            className="num table-text csv-text"
            placeholder={words.chartExample}
            value={text}
            onChange={(event) => setText(event.target.value)}
            onBlur={() => {
              if (text !== chart.text) lay({});
            }}
          />
          <Form.Text>{words.chartHow}</Form.Text>
        </Form.Group>
        <Form.Group controlId="test-chart-light">
          <Form.Label>{words.chartLight}</Form.Label>
          <Form.Select
            size="sm"
            value={chart.light}
            onChange={(event) => lay({ light: event.target.value as ChartLightId })}
          >
            {CHART_LIGHT_IDS.map((id) => (
              <option key={id} value={id}>
                {CHART_LIGHTS[id].name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Button
          variant="outline-secondary"
          size="sm"
          onClick={() => {
            setText(deskChartText());
            lay({ ...STAGE_CHART, text: deskChartText() });
          }}
        >
          {words.stageChart}
        </Button>
        {chart.problem && text !== '' && (
          <p className="field-error" role="alert">
            {chart.problem}
          </p>
        )}
        {chart.signals && !chart.problem && (
          <p className="quiet mb-0" aria-live="polite">
            {words.chartIsRead(chart.signals.length)}
          </p>
        )}
      </div>
    </div>
  );
};
