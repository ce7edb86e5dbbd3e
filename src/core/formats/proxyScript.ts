// Scripts that make proxies with ffmpeg, for a shell and for a Windows command prompt.

import type { LumaId } from '../signal/luma.ts';

/** A clip and how a proxy of it is made. */
export type ProxyClip = {
  /** Its file on the card. */
  readonly file: string;
  /** Its length: two cards may hold a clip of one name. */
  readonly bytes: number;
  /** The proxy, without ending. */
  readonly name: string;
  /** The cube that is burned in, beside the script; a plain name. */
  readonly cube: string;
  readonly range: 'legal' | 'full';
  /** Luma weights that its Y'CbCr was made with; they say nothing where it is R'G'B'. */
  readonly matrix: LumaId;
  /** `01:00:00:00`; a drop-frame one has `;` before its frames. Anything else is left out: it is run by a shell. */
  readonly timecode?: string;
};

/** How a proxy is coded. A further one is a row. */
export const PROXY_CODECS = {
  h264: {
    name: '8-bit',
    grows: 1,
    says: 'H.264, 8 bit 4:2:0: small, plays everywhere',
    options: '-c:v libx264 -preset fast -crf 20 -profile:v high',
    pixels: 'yuv420p',
  },
  intra: {
    name: '10-bit intra',
    grows: 3,
    says: 'H.264 intra, 10 bit 4:2:2: large, light to cut',
    options: '-c:v libx264 -preset fast -crf 16 -profile:v high422 -x264-params keyint=1',
    pixels: 'yuv422p10le',
  },
} as const satisfies Record<
  string,
  {
    readonly name: string;
    /** How many times its clip a proxy may be. Our own, on the safe side. */
    readonly grows: number;
    readonly says: string;
    readonly options: string;
    readonly pixels: string;
  }
>;
export type ProxyCodecId = keyof typeof PROXY_CODECS;
export const PROXY_CODEC_IDS = Object.keys(PROXY_CODECS) as ProxyCodecId[];

/** Names that the filter has for luma weights. */
const MATRICES: { readonly [id in LumaId]: string } = { bt709: '709', bt2020: '2020_ncl', bt601: '170m' };

/**
 * The filter: the recording's own range and weights to R'G'B' in float, the cube between its points by tetrahedra, back
 * to BT.709 in legal range. zscale, since ffmpeg's own scaler makes R'G'B' of legal range 0.4 % too dark (measured).
 * A cube reads 0..1: what a recording has over 100 % is cut there.
 */
const filterOf = ({ range, matrix, cube }: ProxyPicture, pixels: string): string =>
  [
    `zscale=rin=${range === 'legal' ? 'limited' : 'full'}:min=${MATRICES[matrix]}:r=full:m=gbr`,
    'format=gbrpf32le',
    `lut3d=file=${cube}:interp=tetrahedral`,
    'zscale=rin=full:min=gbr:r=limited:m=709',
    `format=${pixels}`,
  ].join(',');

const TIMECODE = /^\d{2}:\d{2}:\d{2}[:;.]\d{2,3}$/;
const TAGS = '-color_primaries bt709 -color_trc bt709 -colorspace bt709 -color_range tv';

/** What of a clip stands in its proxy's options. */
export type ProxyPicture = Pick<ProxyClip, 'cube' | 'range' | 'matrix' | 'timecode'>;

/** What ffmpeg is given between the input and the proxy, word by word. */
export const proxyOptions = (clip: ProxyPicture, codec: ProxyCodecId): readonly string[] => {
  const { options, pixels } = PROXY_CODECS[codec];
  const { timecode: start = '' } = clip;
  const timecode = TIMECODE.test(start) ? ['-timecode', start] : [];
  const maps = ['-map', '0:v:0', '-map', '0:a?', '-vf', filterOf(clip, pixels)];
  return [...maps, ...options.split(' '), ...TAGS.split(' '), ...timecode, '-c:a', 'aac', '-b:a', '192k'];
};

/** The same for a script: words that a shell might read otherwise stand between quotes. */
const optionsOf = (clip: ProxyClip, codec: ProxyCodecId): string =>
  proxyOptions(clip, codec)
    .map((word) => (/^[\w.:-]+$/.test(word) ? word : `"${word}"`))
    .join(' ');

/** What is there is not written over; only what goes wrong is said. */
const FFMPEG = 'ffmpeg -nostdin -n -v warning -stats -i';

/** A text as one word of a POSIX shell: nothing in it means anything. */
const shellWord = (text: string): string => `'${text.replaceAll("'", `'\\''`)}'`;

const ONE_LINE = /[\r\n]+/g;

/**
 * A script for a POSIX shell: `sh make-proxies.sh [clips] [proxies] [h264|intra]`. A clip that is not there is named
 * and left out; a proxy that is there stays.
 */
export const shellScript = (clips: readonly ProxyClip[], title: string): string => {
  const one = (clip: ProxyClip) =>
    [
      `if found ${shellWord(clip.file)} ${shellWord(clip.name)} ${clip.bytes}; then`,
      `  case "$codec" in`,
      ...PROXY_CODEC_IDS.map((id) => `    ${id}) ${FFMPEG} "$in" ${optionsOf(clip, id)} "$out" ;;`),
      '  esac || failed=$((failed + 1))',
      'fi',
    ].join('\n');
  return `#!/bin/sh
# ${title.replaceAll(ONE_LINE, ' ')}
# sh make-proxies.sh [folder of the clips] [folder for the proxies] [${PROXY_CODEC_IDS.join('|')}]
# The monitoring LUT and each clip's correction are burned in: take the LUT off before the final grade.
clips=$(CDPATH= cd -- "\${1:-.}" && pwd) || exit 1
mkdir -p "\${2:-proxies}" && proxies=$(CDPATH= cd -- "\${2:-proxies}" && pwd) || exit 1
codec=\${3:-h264}
case "$codec" in ${PROXY_CODEC_IDS.join('|')}) ;; *) echo "No such codec: $codec"; exit 1 ;; esac
command -v ffmpeg >/dev/null || { echo "ffmpeg is not there: install it first."; exit 1; }
ffmpeg -hide_banner -filters 2>/dev/null | grep -q zscale ||
  { echo "This ffmpeg has no zscale: use a full build."; exit 1; }
CDPATH= cd -- "$(dirname -- "$0")" || exit 1
failed=0
found() {
  in=$(find "$clips" -type f -name "$(printf '%s' "$1" | sed 's/[][*?\\\\]/\\\\&/g')" -size "$3c" | head -n 1)
  out="$proxies/$2.mov"
  if [ -z "$in" ]; then echo "Not there, left out: $1"; failed=$((failed + 1)); return 1; fi
  if [ -e "$out" ]; then echo "Is there already: $2.mov"; return 1; fi
}
${clips.map(one).join('\n')}
[ "$failed" -eq 0 ] || { echo "$failed left out or failed."; exit 1; }
`;
};

/** A text between quotes of a Windows command prompt: percent signs are doubled, quotes cannot be in a name there. */
const promptText = (text: string): string => text.replaceAll('"', '').replaceAll('%', '%%');

/** The same for a Windows command prompt: `make-proxies.cmd [clips] [proxies] [h264|intra]`. */
export const promptScript = (clips: readonly ProxyClip[], title: string): string => {
  const one = (clip: ProxyClip) => {
    const [file, name] = [promptText(clip.file), promptText(clip.name)];
    return [
      'set "in="',
      `for /f "delims=" %%f in ('dir /s /b /a-d "%clips%\\${file}" 2^>nul') do if %%~zf==${clip.bytes} set "in=%%f"`,
      `if not defined in (echo Not there, left out: "${file}") else (`,
      ...PROXY_CODEC_IDS.map(
        (id) => `  if "%codec%"=="${id}" ${FFMPEG} "%in%" ${optionsOf(clip, id)} "%proxies%\\${name}.mov"`,
      ),
      ')',
    ].join('\n');
  };
  const text = `@echo off
rem ${title.replaceAll(ONE_LINE, ' ').replaceAll('%', '%%')}
rem make-proxies.cmd [folder of the clips] [folder for the proxies] [${PROXY_CODEC_IDS.join(' or ')}]
rem The monitoring LUT and each clip's correction are burned in: take the LUT off before the final grade.
chcp 65001 >nul
setlocal
set "clips=%~f1"
if "%~1"=="" set "clips=%cd%"
set "proxies=%~f2"
if "%~2"=="" set "proxies=%cd%\\proxies"
set "codec=%~3"
if "%~3"=="" set "codec=h264"
ffmpeg -hide_banner -filters 2>nul | find "zscale" >nul
if errorlevel 1 (echo ffmpeg with zscale is not there. & exit /b 1)
if not exist "%proxies%" mkdir "%proxies%"
cd /d "%~dp0"
${clips.map(one).join('\n')}
`;
  return text.replaceAll('\n', '\r\n');
};
