import type { GradeFigures } from '#core/grade/gradeFigures.ts';
import { HDR_NOTES, HDR_SKIN, hdrNotes, whiteOf, type FrameLight } from '#core/grade/lightLevels.ts';
import { outputOf, type OutputId } from '#core/lut/outputs.ts';
import { words } from '#ui/wording/grade.ts';

/** A deliverable that the brief does not name, or one that it names and this picture is not. */
const mismatchOf = (output: OutputId, isHdrWanted: boolean): string | undefined => {
  const { range, name } = outputOf(output);
  if (range === 'HDR' && !isHdrWanted) return words.hdrNotWanted(name);
  return range === 'SDR' && isHdrWanted ? words.hdrWanted(name) : undefined;
};

/** Light of the graded picture in cd/m², what it means for HDR, and whether it is what the brief asks for. */
export const GradeLight = ({
  light,
  face,
  output,
  bitDepth,
  isHdrWanted,
}: {
  light?: FrameLight;
  face?: GradeFigures['face'];
  output: OutputId;
  bitDepth: number;
  isHdrWanted: boolean;
}) => {
  const mismatch = mismatchOf(output, isHdrWanted);
  return (
    <>
      {light && (
        <p className="grade-figures">
          {words.lightLine(
            light.highest.toFixed(0),
            light.mean.toFixed(0),
            (100 * light.aboveWhite).toFixed(1),
            whiteOf(output),
          )}
        </p>
      )}
      {light && face && (
        <p className="grade-figures quiet">
          {words.faceLight(face.name, face.light.toFixed(0), HDR_SKIN.from, HDR_SKIN.to)}
        </p>
      )}
      {light &&
        hdrNotes({ light, bitDepth }).map((id) => (
          <p key={id} className="grade-figures quiet">
            {HDR_NOTES[id].says}
          </p>
        ))}
      {mismatch !== undefined && <p className="grade-figures quiet">{mismatch}</p>}
    </>
  );
};
