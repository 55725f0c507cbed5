export const TAKES = 20_000;

/** As text: a compiled function would carry helpers that the page does not have. */
export const FILL = `(async () => {
  const db = await new Promise((done) => { const r = indexedDB.open('inner-hum'); r.onsuccess = () => done(r.result); });
  const all = (name) => new Promise((done) => { const r = db.transaction(name).objectStore(name).getAll(); r.onsuccess = () => done(r.result); });
  const [takes, frames, digests, cells, tones] = await Promise.all(['takes', 'frames', 'digests', 'cells', 'tones'].map(all));
  const tonesOf = Map.groupBy(
    tones.flatMap(({ key, takeIds, instrumentIds, take, midi, partial, value }) =>
      takeIds.map((id, i) => ({ id, quantity: key.split(' ')[0], instrumentId: instrumentIds[i],
        tones: [...value].flatMap((v, j) => (take[j] === i ? [[midi[j], partial[j], v]] : [])) }))),
    (one) => one.id);
  const days = new Map(tones.map((row) => [row.key, row]));
  const framesOf = new Map(frames.map((row) => [row.takeId, row]));
  const digestOf = new Map(digests.map((row) => [row.takeId, row]));
  for (let i = takes.length; i < ${TAKES}; i += 500) {
    const tx = db.transaction(['takes', 'frames', 'digests'], 'readwrite');
    for (let k = i; k < Math.min(${TAKES}, i + 500); k++) {
      const from = takes[k % takes.length];
      const back = 60 * 86400000 + Math.floor(k / 12) * 86400000 / 2;
      const startedAtMs = Date.parse(from.startedAt) - back - k;
      const startedAt = new Date(startedAtMs).toISOString();
      const takeId = 'many-' + k;
      tx.objectStore('takes').put({ ...from, id: takeId, startedAt, demo: false });
      tx.objectStore('frames').put({ ...framesOf.get(from.id), takeId });
      const digest = digestOf.get(from.id);
      tx.objectStore('digests').put({ ...digest, takeId, startedAtMs, day: startedAt.slice(0, 10), demo: false,
        seen: digest.seen.map((one, j) => ({ ...one, atMs: startedAtMs + j })) });
      for (const { quantity, instrumentId, tones } of tonesOf.get(from.id) ?? []) {
        const day = startedAt.slice(0, 10);
        const key = quantity + ' ' + day;
        if (!days.has(key)) days.set(key, { key, day, takeIds: [], instrumentIds: [], take: [], midi: [], partial: [], value: [] });
        const row = days.get(key);
        for (const [midi, partial, value] of tones) {
          row.take = [...row.take, row.takeIds.length];
          row.midi = [...row.midi, midi];
          row.partial = [...row.partial, partial];
          row.value = [...row.value, value];
        }
        row.takeIds.push(takeId);
        row.instrumentIds.push(instrumentId);
      }
    }
    await new Promise((done) => { tx.oncomplete = done; });
  }
  const tx = db.transaction(['cells', 'tones'], 'readwrite');
  for (const row of days.values()) tx.objectStore('tones').put({ ...row, take: Uint16Array.from(row.take),
    midi: Uint8Array.from(row.midi), partial: Uint8Array.from(row.partial), value: Float32Array.from(row.value) });
  for (const cell of cells) tx.objectStore('cells').put({ ...cell, recent: Array.from({ length: 16 }, (_, i) => cell.recent[i % cell.recent.length]) });
  await new Promise((done) => { tx.oncomplete = done; });
  return cells.length;
})()`;

export const STUDENTS = 30;
export const STUDENT_TAKES = 2000;
/** Of so many takes one is given whole, to be heard. */
const WHOLE_EACH = 8;

/** Students with as many digests each, made of the digests that are here, and this week's takes with their frames. */
export const FILL_STUDENTS = `(async () => {
  const db = await new Promise((done) => { const r = indexedDB.open('inner-hum'); r.onsuccess = () => done(r.result); });
  const all = (name) => new Promise((done) => { const r = db.transaction(name).objectStore(name).getAll(null, 200); r.onsuccess = () => done(r.result); });
  const [digests, takes, frames, first] = await Promise.all(['digests', 'takes', 'frames', 'students'].map(all));
  const { glance } = first[0];
  for (let s = 0; s < ${STUDENTS}; s++) {
    const studentId = 'student-' + s;
    const tx = db.transaction(['students', 'studentDigests', 'studentTakes', 'studentSounds'], 'readwrite');
    const days = [];
    for (let k = 0; k < ${STUDENT_TAKES}; k++) {
      const startedAtMs = Date.now() - Math.floor(k / 8) * 86400000 - k * 60000;
      const takeId = studentId + '-' + k;
      const digest = digests[k % digests.length];
      const day = new Date(startedAtMs).toISOString().slice(0, 10);
      if (days.at(-1)?.day !== day) days.push({ day, takes: 0, playedS: 0, families: ['swell', 'hold'] });
      days.at(-1).takes++;
      days.at(-1).playedS += digest.lastsS;
      tx.objectStore('studentDigests').put({ studentId, takeId, startedAtMs, digest: { ...digest, takeId, startedAtMs, day } });
      if (k % ${WHOLE_EACH} > 0) continue;
      const record = { ...takes[k % takes.length], id: takeId, startedAt: new Date(startedAtMs).toISOString() };
      tx.objectStore('studentTakes').put({ studentId, takeId, startedAtMs, record });
      tx.objectStore('studentSounds').put({ studentId, takeId, startedAtMs, frames: frames.find((row) => row.takeId === takes[k % takes.length].id).bytes });
    }
    tx.objectStore('students').put({ id: studentId, name: 'Student ' + s, until: '', notes: [], glance: { ...glance, days: days.reverse() } });
    await new Promise((done) => { tx.oncomplete = done; });
  }
})()`;
