import { printInstead, printZebra, type ZebraSetting } from '#core/exposure/zebra.ts';

/** A zebra's level; where the camera has none, that, and what to use instead under it. */
export const ZebraLevel = ({ of }: { of: ZebraSetting }) => {
  const instead = printInstead(of);
  if (instead === undefined) return printZebra(of);
  return (
    <span className="zebra-none">
      {printZebra(of)} <small className="zebra-instead">{instead}</small>
    </span>
  );
};
