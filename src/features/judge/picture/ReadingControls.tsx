'use client';

import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { SAMPLE_READING_IDS, SAMPLE_READINGS, type SampleReading } from '#core/frame/codes.ts';
import type { FrameReading, Referred } from '#core/formats/opened.ts';
import { LUMA, LUMA_IDS, type LumaId } from '#core/signal/luma.ts';
import type { Range } from '#core/signal/scale.ts';
import { useBench, useSession } from '#ui/bench/hooks.ts';
import { download, slug } from '#ui/download.ts';
import { Popup } from '#ui/parts/Popup.tsx';
import { words } from '#ui/wording/judgePicture.ts';

const isReading = (reading: FrameReading): reading is SampleReading => reading in SAMPLE_READINGS;

/** Why the colours are read by a matrix: the file says so, it was set by hand against it, or nobody said. */
const matrixSays = (told: string | undefined, used: LumaId): string => {
  if (told === undefined) return words.matrixIsAssumed;
  return told === used ? words.matrixIsTold : words.matrixIsSetAgainst(told);
};

/** The matrix that colours are read by, and why. */
const MatrixField = ({
  told,
  matrix,
  onPick,
}: {
  told?: string;
  matrix: LumaId;
  onPick: (matrix: LumaId) => void;
}) => (
  <>
    <Form.Label className="mt-2" htmlFor="reading-matrix">
      {words.matrixOfTheColours}
    </Form.Label>
    <Form.Select
      id="reading-matrix"
      size="sm"
      value={matrix}
      onChange={(event) => onPick(event.target.value as LumaId)}
    >
      {LUMA_IDS.map((id) => (
        <option key={id} value={id}>
          {LUMA[id].name}
        </option>
      ))}
    </Form.Select>
    <p className="quiet small mb-0">{matrixSays(told, matrix)}</p>
  </>
);

/**
 * What the file says of itself and how it is read; range, samples and what the codes stand for are set by
 * hand here.
 */
export const ReadingControls = () => {
  const { session } = useBench();
  const frame = useSession((state) => state.frame);
  if (!frame) return null;
  const { info, clip } = frame;
  const { range, referred, feed, matrix } = info;
  const reading = isReading(info.reading) ? info.reading : undefined;
  const again = (change: { range?: Range; reading?: SampleReading; referred?: Referred; matrix?: LumaId }) =>
    void session.frame.reread({ range, referred, feed, matrix, ...(reading ? { reading } : {}), ...change });
  const save = async () => {
    const codes = await session.frame.codesAsPng();
    if (codes.ok) download(`${slug(frame.name)}.png`, codes.value, 'image/png');
    else session.notice.say(frame.name, codes);
  };
  const tags = [
    ['Range', info.tags.range],
    ['Primaries', info.tags.primaries],
    ['Transfer', info.tags.transfer],
    ['Matrix', info.tags.matrix],
  ] as const;
  return (
    <span className="reading">
      <Popup
        name={`${info.bitDepth}-bit${info.exactness.exact ? '' : ' *'}`}
        label={words.howTheFileIs}
        says={info.evidence}
        placement="top-start"
      >
        <dl className="reading-facts">
          <dt>{words.source}</dt>
          <dd>{info.container}</dd>
          <dt>{words.size}</dt>
          <dd className="num">
            {info.width}×{info.height}
          </dd>
          <dt>{words.readAs}</dt>
          <dd>{info.evidence}</dd>
          {clip && (
            <>
              <dt>{words.clip}</dt>
              <dd>
                {clip.times.length} frames, {clip.rate.toFixed(clip.rate % 1 === 0 ? 0 : 2)} a second
                {clip.variable ? ', varying' : ''}
                {clip.note ? `; ${clip.note}` : ''}
              </dd>
            </>
          )}
          <dt>{words.codes}</dt>
          <dd>{info.exactness.exact ? 'as in the file' : `not exact: ${info.exactness.why}`}</dd>
          {tags.map(([name, tag]) => (
            <div key={name} className="fact">
              <dt>{name}</dt>
              <dd>{tag ?? <span className="quiet">{words.notTold}</span>}</dd>
            </div>
          ))}
        </dl>
        {frame.kind === 'still' && reading && (
          <>
            <Form.Label htmlFor="reading-samples">{words.howTheSamplesAre}</Form.Label>
            <Form.Select
              id="reading-samples"
              size="sm"
              value={reading}
              onChange={(event) => again({ reading: event.target.value as SampleReading })}
            >
              {SAMPLE_READING_IDS.map((id) => (
                <option key={id} value={id}>
                  {SAMPLE_READINGS[id].name}
                </option>
              ))}
            </Form.Select>
            <p className="quiet small mb-0" data-evidence>
              {info.evidence}
            </p>
          </>
        )}
        {matrix && (
          <MatrixField
            told={info.tags.matrix}
            matrix={matrix}
            onPick={(picked) => again({ matrix: picked })}
          />
        )}
        <Form.Label className="mt-2" htmlFor="reading-referred">
          {words.whatTheCodesStand}
        </Form.Label>
        <Form.Select
          id="reading-referred"
          size="sm"
          value={referred}
          onChange={(event) => again({ referred: event.target.value as Referred })}
        >
          <option value="recorded">{words.lightThroughTheProfile}</option>
          <option value="display">{words.aFinishedPictureFor}</option>
        </Form.Select>
        <Button variant="outline-secondary" size="sm" className="mt-2" onClick={() => void save()}>
          {words.saveTheCodesAs}
        </Button>
      </Popup>
      <Form.Select
        size="sm"
        aria-label={words.rangeOfTheCodes}
        value={range}
        onChange={(event) => again({ range: event.target.value as Range })}
      >
        <option value="legal">{words.legal}</option>
        <option value="full">{words.full}</option>
      </Form.Select>
    </span>
  );
};
