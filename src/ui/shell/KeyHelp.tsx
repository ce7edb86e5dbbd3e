'use client';

import Modal from 'react-bootstrap/Modal';
import { KEYMAP } from './keymap.ts';

/** The keyboard map, from the same rows as the handlers. */
export const KeyHelp = ({ show, onHide }: { show: boolean; onHide: () => void }) => (
  <Modal show={show} onHide={onHide} centered animation={false} aria-labelledby="keys-title">
    <Modal.Header closeButton>
      <Modal.Title id="keys-title" as="h2">
        Keys
      </Modal.Title>
    </Modal.Header>
    <Modal.Body>
      <table className="keys">
        <tbody>
          {Object.entries(KEYMAP).map(([id, row]) => (
            <tr key={id}>
              <td>
                <kbd>{'shown' in row ? row.shown : row.keys.toUpperCase()}</kbd>
              </td>
              <td>{row.does}</td>
              <td className="quiet">{row.where}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Modal.Body>
  </Modal>
);
