import { demoAdapters, demoBodies, demoOptics, demoOutputs, demoSubjects } from '@/demo/kit';
import { farLevers, type FarSituation, type Lever } from '@/core/far/levers';
import { readFar } from '@/core/far/readFar';
import { foldSystem } from '@/core/optics/foldSystem';
import { leverText } from './leverText';
import { verdictSentence, zoneNames } from '@/core/output/verdictWords';

const plain = (text: string) => text.replace(/\u202f|\u00a0/g, ' ');

function situation(change: Partial<FarSituation> = {}): FarSituation {
  return {
    setup: { body: demoBodies.ostrel.data, modeId: 'whole', chain: [demoOptics.tele600.data] },
    subject: demoSubjects.curlew.data,
    distanceM: 60,
    output: demoOutputs.print.data,
    judgeBy: 'resolved',
    convention: 'usual',
    kit: {
      parts: [
        { id: 'x14', part: demoAdapters.converter14.data },
        { id: 'x20', part: demoAdapters.converter20.data },
      ],
      setups: [
        {
          id: 'light',
          name: 'Light bag',
          setup: { body: demoBodies.merrow.data, modeId: 'whole', chain: [demoOptics.tele300.data] },
        },
      ],
    },
    ...change,
  };
}

function words(state: FarSituation, pick: (lever: Lever) => boolean, units: 'metric' | 'imperial' = 'metric') {
  const lever = farLevers(state).find(pick);
  if (!lever) throw new Error('no such lever');
  const text = leverText(lever, state.subject, state.distanceM, units);
  return { title: plain(text.title), gain: plain(text.gain), price: plain(text.price), caution: plain(text.caution) };
}

describe('a lever in words', () => {
  it('tells a nearer place with the caution it needs', () => {
    const far = situation({ distanceM: 110, subject: { ...demoSubjects.curlew.data, keepDistanceM: 20 } });
    const text = words(far, (lever) => lever.kind === 'distance');
    expect(text.title).toMatch(/^[\d.]+ m closer, to [\d.]+ m$/);
    expect(text.caution).toBe('Keep the distance the law and the site ask for.');
  });

  it('refuses to recommend a place nearer than the distance to keep', () => {
    const guarded = situation({ distanceM: 110, subject: { ...demoSubjects.curlew.data, keepDistanceM: 105 } });
    expect(words(guarded, (lever) => lever.kind === 'distance').caution).toBe(
      'Nearer than the 105 m to keep here: use another lever.',
    );
  });

  it('says how far one can stay back when there is enough', () => {
    const near = situation({ distanceM: 30 });
    const text = words(near, (lever) => lever.kind === 'distance');
    expect(text.title).toMatch(/further back/);
    expect(text.price).toBe('more peace for the subject');
  });

  it('tells distances in feet to those who read feet', () => {
    expect(words(situation({ distanceM: 110 }), (lever) => lever.kind === 'distance', 'imperial').title).toMatch(
      /^[\d.]+ ft closer, to [\d.]+ ft$/,
    );
  });

  it('gives a converter with its light, its f-number and its autofocus', () => {
    const text = words(situation(), (lever) => lever.id === 'chain:x14');
    expect(text.gain).toMatch(/^\+40 % pixels, \+\d+ % resolved$/);
    expect(text.price).toBe('−1 stop (f/7.8) · autofocus still on');
    expect(words(situation(), (lever) => lever.id === 'chain:x20').price).toBe('−2 stops (f/11.2) · no autofocus');
  });

  it('says that a converter would come off when it is on', () => {
    const on = situation({
      setup: {
        body: demoBodies.ostrel.data,
        modeId: 'whole',
        chain: [
          { id: 'lens', part: demoOptics.tele600.data },
          { id: 'x14', part: demoAdapters.converter14.data },
        ],
      },
    });
    expect(words(on, (lever) => lever.id === 'chain:x14').title).toBe('Without Ostrel ×1.4');
  });

  it('promises no pixels from a crop mode, only files, frames and less around it', () => {
    const text = words(situation(), (lever) => lever.id === 'mode:c15');
    expect(text.gain).toBe('same pixels on the subject');
    expect(text.price).toBe('files 2.23 × smaller · 9 → 15 frames/s · you see 56 % less around it');
  });

  it('gives another set-up with its weight', () => {
    expect(words(situation(), (lever) => lever.kind === 'setup').price).toMatch(/kg lighter/);
  });

  it('names the longer focal length of a zoom', () => {
    const zoom = situation({
      setup: { body: demoBodies.quillon.data, modeId: 'whole', chain: [demoOptics.zoom150600.data], focalMm: 200 },
      distanceM: 90,
    });
    expect(words(zoom, (lever) => lever.kind === 'focal').title).toBe('Set the lens to 600 mm');
  });
});

describe('the verdict in words', () => {
  const read = (judgeBy: 'resolved' | 'sampled') => {
    const system = foldSystem(situation().setup);
    if (!system.ok) throw new Error(system.problem.message);
    const reading = readFar({ ...situation(), system: system.value, judgeBy });
    if (!reading.ok) throw new Error(reading.problem.message);
    return plain(verdictSentence(reading.value));
  };
  it('counts resolved pixels, or all of them, by the school chosen', () => {
    expect(read('resolved')).toMatch(/^[\d,]+ px resolved, 1,417 needed$/);
    expect(read('sampled')).toMatch(/^[\d,]+ px in all, 1,417 needed$/);
  });
  it('names the zones after what the picture is for', () => {
    expect(zoneNames(demoOutputs.web.data)).toEqual({
      short: 'too few for Web page',
      enough: 'enough for Web page',
      more: 'more than it uses',
    });
  });
});
