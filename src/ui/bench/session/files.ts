/** Bytes of a file that ships with the app. @throws Error when it is not there. */
export const fetchBytes = async (path: string): Promise<ArrayBuffer> => {
  const answer = await fetch(path);
  if (!answer.ok) throw new Error(`${path} answers ${answer.status}`);
  return answer.arrayBuffer();
};

export const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
