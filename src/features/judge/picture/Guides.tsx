'use client';

import { boxOfRatio, guideRatio, inner, SAFE_AREAS, type GuideId } from './guideList.ts';

/** Frame guide and safe areas over the picture: what lies outside is dimmed, so that the frame is seen at a glance. */
export const Guides = ({
  width,
  height,
  scale,
  guide,
  own,
  safe,
}: {
  width: number;
  height: number;
  scale: number;
  guide: GuideId;
  own: number;
  safe: boolean;
}) => {
  const ratio = guideRatio(guide, own);
  const box = ratio === undefined ? { x: 0, y: 0, width, height } : boxOfRatio(width, height, ratio);
  const unit = 1 / scale;
  const around = `M0 0H${width}V${height}H0Z M${box.x} ${box.y}V${box.y + box.height}H${box.x + box.width}V${box.y}Z`;
  return (
    <svg className="guides" viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
      {ratio !== undefined && (
        <>
          <path className="guide-outside" d={around} fillRule="evenodd" />
          <rect className="guide-line" {...box} />
        </>
      )}
      {safe &&
        SAFE_AREAS.map(({ name, share, labelAt }) => {
          const area = inner(box, share);
          return (
            <g key={name}>
              <rect className="safe-line" {...area} />
              <text
                className="safe-name"
                transform={`translate(${area.x + labelAt * unit} ${area.y + area.height - 4 * unit}) scale(${unit})`}
              >
                {name} {share * 100} %
              </text>
            </g>
          );
        })}
    </svg>
  );
};
