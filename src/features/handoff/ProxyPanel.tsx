'use client';

import { Clapperboard } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { PROXY_CODECS, PROXY_CODEC_IDS, type ProxyCodecId } from '#core/formats/proxyScript.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Progress } from '#ui/parts/Progress.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { words } from '#ui/wording/proxies.ts';
import { canMakeProxies } from './proxies/proxyOfClip.ts';
import { useProxies, type ProxyLine } from './proxies/useProxies.ts';

const CODECS = PROXY_CODEC_IDS.map((id) => ({ id, name: PROXY_CODECS[id].name }));

const Line = ({ name, state }: ProxyLine) => (
  <li className="proxy-line">
    <span className="proxy-name">{name}</span>
    {state.is === 'making' ? (
      <Progress className="proxy-progress" now={100 * state.share} label={words.progressOf(name)} />
    ) : state.is === 'failed' ? (
      <span className="field-error">{state.reason}</span>
    ) : (
      <span className="quiet">
        {state.is === 'made' && <StateMark state="holds" />} {words.states[state.is]}
      </span>
    )}
  </li>
);

/** Whether this machine makes proxies; undefined until it has said so. */
const useCanMake = () => {
  const [can, setCan] = useState<boolean>();
  useEffect(() => {
    let isHere = true;
    void canMakeProxies().then((answer) => isHere && setCan(answer));
    return () => {
      isHere = false;
    };
  }, []);
  return can;
};

/** Proxies made by the ffmpeg of this machine, with what was seen on set burned in. */
export const ProxyPanel = () => {
  const can = useCanMake();
  const input = useRef<HTMLInputElement>(null);
  const [codec, setCodec] = useState<ProxyCodecId>('h264');
  const { lines, strangers, problem, isRunning, make, stop } = useProxies();
  const made = lines.filter(({ state }) => state.is === 'made').length;
  return (
    <Panel title={words.proxies} note={words.proxiesSay}>
      {can === false && <p className="quiet">{words.noFfmpeg}</p>}
      {can && (
        <>
          <div className="exports">
            <Segmented label={words.codec} options={CODECS} value={codec} onPick={setCodec} />
            <Form.Control
              ref={input}
              type="file"
              multiple
              hidden
              accept="video/*,.mov,.mp4,.mxf,.mkv,.y4m"
              aria-label={words.clips}
              onChange={(event) => {
                const field = event.target as HTMLInputElement;
                make([...(field.files ?? [])], codec);
                field.value = '';
              }}
            />
            {isRunning ? (
              <Button variant="outline-secondary" onClick={stop}>
                {words.stop}
              </Button>
            ) : (
              <Button variant="outline-secondary" onClick={() => input.current?.click()}>
                <Clapperboard size={16} aria-hidden="true" /> {words.makeNow}
              </Button>
            )}
            <span className="quiet">{PROXY_CODECS[codec].says}</span>
          </div>
          <div role="status">
            {lines.length > 0 && !isRunning && (
              <p className="bundle-made">{words.made(made, lines.length)}</p>
            )}
          </div>
          <ul className="proxy-lines">
            {lines.map((line) => (
              <Line key={line.name} {...line} />
            ))}
          </ul>
          {strangers.length > 0 && <p className="quiet">{words.strangers(strangers.join(', '))}</p>}
          {problem !== undefined && <p className="field-error">{problem}</p>}
        </>
      )}
    </Panel>
  );
};
