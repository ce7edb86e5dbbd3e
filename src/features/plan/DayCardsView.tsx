'use client';

import { Download, Printer } from 'lucide-react';
import { useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import { useRecords, useSelection } from '#ui/bench/hooks.ts';
import { download, slug } from '#ui/download.ts';
import { CardCode } from '#ui/cards/CardCode.tsx';
import { cardHeadOf, cardText } from '#ui/cards/cardText.ts';
import { dayCards } from '#ui/cards/dayCards.ts';
import { textPicture } from '#ui/paper/textPicture.ts';
import { ZebraLevel } from '#ui/parts/ZebraLevel.tsx';
import { words } from '#ui/wording/plan.ts';

/** The day of this camera on one sheet: printed, or as a PDF. */
export const DayCardsView = () => {
  const selection = useSelection();
  const records = useRecords();
  const { shoot, camera } = selection;
  const cards = useMemo(() => dayCards(records, shoot.id, camera.id), [records, shoot.id, camera.id]);
  const head = cardHeadOf(selection);
  const { title } = head;
  const savePdf = async () => {
    // Nobody waits for the writer of PDFs who does not want one.
    const { dayCardsPdf } = await import('#ui/cards/dayCardsPdf.ts');
    const bytes = await dayCardsPdf(head, cards, textPicture);
    download(`${slug(title)}.pdf`, new Uint8Array(bytes), 'application/pdf');
  };
  return (
    <section className="panel sheet day-cards">
      <header className="panel-head">
        <h2>{title}</h2>
        <span className="quiet">{head.subtitle}</span>
        <div className="panel-tools">
          <Button variant="outline-secondary" size="sm" onClick={() => window.print()}>
            <Printer size={15} aria-hidden /> {words.print}
          </Button>
          <Button variant="outline-secondary" size="sm" onClick={() => void savePdf()}>
            <Download size={15} aria-hidden /> {words.pdf}
          </Button>
        </div>
      </header>
      <div className="day-grid">
        {cards.map((card) => (
          <article key={card.id} className="day-card">
            <h3>
              <span className="num">{card.place}</span> {card.name}
            </h3>
            <div className="pocket-zebras">
              {card.zebras.map(([name, zebra]) => (
                <p key={name}>
                  <span>{name}</span>
                  <strong>
                    <ZebraLevel of={zebra} />
                  </strong>
                </p>
              ))}
            </div>
            <dl className="paper-facts">
              {card.lines.map(([name, value]) => (
                <div key={name}>
                  <dt>{name}</dt>
                  <dd>{value}</dd>
                </div>
              ))}
            </dl>
            <div className="day-card-foot">
              <p className="day-caution">{card.caution}</p>
              <CardCode
                text={cardText({ ...card, caution: '' }, head)}
                label={words.codeOfAPhones(card.name)}
              />
            </div>
          </article>
        ))}
      </div>
    </section>
  );
};
