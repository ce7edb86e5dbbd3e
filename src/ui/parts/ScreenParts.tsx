'use client';

import { parseAsStringLiteral, useQueryState } from 'nuqs';
import type { ComponentType } from 'react';
import Nav from 'react-bootstrap/Nav';
import Tab from 'react-bootstrap/Tab';
import { words } from '#ui/wording/parts.ts';

type Part = { readonly name: string; readonly View: ComponentType };

/** A screen in parts as tabs, of which one is shown; which one stands in the address. */
export const ScreenParts = <T extends string>({
  of,
  parts,
  first,
}: {
  /** Of what: `the kit`, `LUTs`. */
  of: string;
  parts: Readonly<Record<T, Part>>;
  first: T;
}) => {
  const ids = Object.keys(parts) as T[];
  const [part, setPart] = useQueryState('part', parseAsStringLiteral(ids).withDefault(first));
  return (
    <Tab.Container
      id="part"
      activeKey={part}
      onSelect={(id) => void setPart(() => id as T)}
      transition={false}
      mountOnEnter
      unmountOnExit
    >
      <Nav variant="underline" className="screen-parts" aria-label={words.partsOf(of)}>
        {ids.map((id) => (
          <Nav.Item key={id} role="presentation">
            <Nav.Link as="button" type="button" eventKey={id}>
              {parts[id].name}
            </Nav.Link>
          </Nav.Item>
        ))}
      </Nav>
      <Tab.Content>
        {ids.map((id) => {
          const { View } = parts[id];
          return (
            <Tab.Pane key={id} eventKey={id}>
              <View />
            </Tab.Pane>
          );
        })}
      </Tab.Content>
    </Tab.Container>
  );
};
