// A log of thousands for tests and benchmarks, made in the page from the takes of the demo.

/**
 * Runs in the page: fills the log of the demo's shoot up with copies of its takes, one a minute, each with a
 * note of its own (`no. 17`) and every hundredth with the word “hundred”.
 * @param {number} count how many to add
 */
export const fillLog = async (count) => {
  const opened = (request) =>
    new Promise((resolve, reject) => {
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(request.error);
    });
  const database = await opened(indexedDB.open('candelum'));
  const read = database.transaction(['takes', 'thumbnails']);
  const [takes, thumbnails] = await Promise.all(
    ['takes', 'thumbnails'].map((name) => opened(read.objectStore(name).getAll())),
  );
  const own = takes.filter(({ shootId }) => shootId === 'salt-and-fire');
  const start = Date.parse('2026-05-01T06:00:00Z');
  const write = database.transaction(['takes', 'thumbnails'], 'readwrite');
  for (let i = 0; i < count; i += 1) {
    const take = own[i % own.length];
    const notes = `no. ${i}${i % 100 === 0 ? ' hundred' : ''}`;
    const loggedAt = new Date(start + i * 60_000).toISOString();
    const copy = { ...take, id: `many-${i}`, number: 100 + i, loggedAt, notes, circled: i % 10 === 0 };
    write.objectStore('takes').put(copy);
    if (thumbnails.length > 0)
      write.objectStore('thumbnails').put({ ...thumbnails[i % thumbnails.length], id: copy.id });
  }
  await new Promise((resolve, reject) => {
    write.oncomplete = resolve;
    write.onerror = () => reject(write.error);
  });
  database.close();
};

/**
 * Runs in the page: fills the clips of the demo's shoot up with copies, a minute apart, every hundredth with the word
 * “hundred” in its name.
 * @param {number} count how many to add
 */
export const fillClips = async (count) => {
  const opened = (request) =>
    new Promise((resolve, reject) => {
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(request.error);
    });
  const database = await opened(indexedDB.open('candelum'));
  const read = database.transaction(['clips', 'thumbnails']);
  const [clips, pictures] = await Promise.all(
    ['clips', 'thumbnails'].map((name) => opened(read.objectStore(name).getAll())),
  );
  const own = clips.filter(({ shootId, found }) => shootId === 'salt-and-fire' && found);
  const write = database.transaction(['clips', 'thumbnails'], 'readwrite');
  for (let i = 0; i < count; i += 1) {
    const clip = own[i % own.length];
    const id = `many-${i}`;
    const name = `M${String(i).padStart(4, '0')}${i % 100 === 0 ? ' hundred' : ''}.mov`;
    const { take: _, ...rest } = clip;
    write.objectStore('clips').put({ ...rest, id, file: { ...clip.file, name } });
    for (const { id: of, png } of pictures)
      if (of.startsWith(`${clip.id}-`))
        write.objectStore('thumbnails').put({ id: of.replace(clip.id, id), png });
  }
  await new Promise((resolve, reject) => {
    write.oncomplete = resolve;
    write.onerror = () => reject(write.error);
  });
  database.close();
};
