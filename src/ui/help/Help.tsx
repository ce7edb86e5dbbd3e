'use client';

import Modal from 'react-bootstrap/Modal';
import Tab from 'react-bootstrap/Tab';
import Tabs from 'react-bootstrap/Tabs';
import { later } from '../later.tsx';
import { Keys } from './Keys.tsx';
import { Words } from './Words.tsx';
import { words } from '#ui/wording/help.ts';

const Guide = later(() => import('./Guide.tsx').then((part) => part.Guide));

/** Help inside the app: keys, words, the guide. */
export const Help = ({ show, onHide }: { show: boolean; onHide: () => void }) => (
  <Modal show={show} onHide={onHide} size="lg" scrollable animation={false} aria-labelledby="help-title">
    <Modal.Header closeButton>
      <Modal.Title id="help-title" as="h2">
        {words.help}
      </Modal.Title>
    </Modal.Header>
    <Modal.Body>
      <Tabs defaultActiveKey="keys" mountOnEnter transition={false} className="screen-tabs mb-3">
        <Tab eventKey="keys" title={words.keys}>
          <Keys />
        </Tab>
        <Tab eventKey="words" title={words.words}>
          <Words />
        </Tab>
        <Tab eventKey="guide" title={words.guide}>
          <Guide />
        </Tab>
      </Tabs>
    </Modal.Body>
  </Modal>
);
