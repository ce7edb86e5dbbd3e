'use client';

import Table from 'react-bootstrap/Table';
import type { KernelsInUse } from '#workers/judge/protocol.ts';
import { useSession } from '../bench/hooks.ts';
import { KEYMAP, type KeyId } from '../shell/keymap.ts';
import { KEY_WORDS } from './keyWords.ts';

const KEY_IDS = Object.keys(KEYMAP) as KeyId[];

const FORMS: { readonly [F in KernelsInUse['form']]: string } = {
  shared: 'SIMD, in shared memory',
  simd: 'SIMD',
  plain: 'plain, the slow form',
};

/** The form in which pictures and scopes are worked out on this machine. */
const PixelLoops = () => {
  const kernels = useSession((state) => state.kernels);
  return (
    <p className="quiet small mb-0 mt-2" data-kernels={kernels?.form}>
      Pixel loops: {kernels ? FORMS[kernels.form] : 'not asked yet'}
      {kernels?.why ? ` (${kernels.why})` : ''}.
    </p>
  );
};

/** The keyboard map, from the same rows as the handlers. */
export const Keys = () => (
  <>
    <Table className="keys">
      <tbody>
        {KEY_IDS.map((id) => (
          <tr key={id}>
            <td>
              <kbd>{KEYMAP[id].shown}</kbd>
            </td>
            <td>{KEY_WORDS[id].does}</td>
            <td className="quiet">{KEY_WORDS[id].where}</td>
          </tr>
        ))}
      </tbody>
    </Table>
    <PixelLoops />
  </>
);
