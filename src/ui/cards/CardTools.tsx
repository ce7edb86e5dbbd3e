'use client';

import { ImageDown, Printer, Share2 } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { download, slug } from '../download.ts';
import { cardText, type CardHead } from './cardText.ts';
import type { DayCard } from './dayCards.ts';
import { words } from '#ui/wording/cards.ts';

/** Whether this browser passes files on to other apps. */
const canShare = () => {
  try {
    const file = new File([''], 'card.png', { type: 'image/png' });
    return typeof navigator.share === 'function' && navigator.canShare({ files: [file] });
  } catch {
    return false;
  }
};

/** Ways for a card to travel: on paper, as a picture, through what the device offers. */
export const CardTools = ({ card, head }: { card: DayCard; head: CardHead }) => {
  const [shares] = useState(canShare);
  const [problem, setProblem] = useState<string>();
  const name = `${slug(`${head.title} ${card.name}`)}.png`;
  const picture = async () => {
    // Nobody waits for the painter of pictures who does not want one.
    const { cardPicture } = await import('./cardPicture.ts');
    return new Uint8Array(await (await cardPicture(card, head)).arrayBuffer());
  };
  const save = async () => download(name, await picture(), 'image/png');
  const share = async () => {
    const file = new File([await picture()], name, { type: 'image/png' });
    await navigator.share({ files: [file], title: card.name, text: cardText(card, head) });
  };
  const tell = (what: string) => (error: unknown) => {
    // Closed without picking anything: nothing went wrong.
    if (error instanceof DOMException && error.name === 'AbortError') return;
    setProblem(`The card was not ${what}: print it, or photograph the code.`);
  };
  const doing = (job: () => Promise<void>, what: string) => () => {
    setProblem(undefined);
    void job().catch(tell(what));
  };
  return (
    <>
      {problem && (
        <span className="field-error" role="alert">
          {problem}
        </span>
      )}
      <Button variant="outline-secondary" size="sm" onClick={() => window.print()}>
        <Printer size={16} aria-hidden="true" /> {words.print}
      </Button>
      <Button variant="outline-secondary" size="sm" onClick={doing(save, 'saved')}>
        <ImageDown size={16} aria-hidden="true" /> {words.picture}
      </Button>
      {shares && (
        <Button variant="outline-secondary" size="sm" onClick={doing(share, 'shared')}>
          <Share2 size={16} aria-hidden="true" /> {words.share}
        </Button>
      )}
    </>
  );
};
