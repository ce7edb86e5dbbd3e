import type { ReactNode } from 'react';
import Accordion from 'react-bootstrap/Accordion';

const KEY = 'folded';

/** A line that opens what stands under it, and closes it again. */
export const Folded = ({
  title,
  isOpen = false,
  className = '',
  children,
}: {
  title: ReactNode;
  /** Open from the start. */
  isOpen?: boolean;
  className?: string;
  children: ReactNode;
}) => (
  <Accordion flush defaultActiveKey={isOpen ? KEY : undefined} className={className}>
    <Accordion.Item eventKey={KEY}>
      <Accordion.Button>{title}</Accordion.Button>
      <Accordion.Collapse eventKey={KEY} mountOnEnter unmountOnExit>
        <>{children}</>
      </Accordion.Collapse>
    </Accordion.Item>
  </Accordion>
);
