import { useMemo } from 'react';
import type { Recording } from '@/core/sky/cameras';
import { planCapture, type CaptureInput } from '@/core/sky/capture';
import { captureQuantities } from '@/core/sky/captureQuantities';
import { USUAL_DISC_ARCSEC } from '@/core/sky/discOnSensor';
import { discsOf, planetOn } from '@/core/sky/ephemeris';
import { bestWindow } from '@/core/sky/night';
import { PLANETS, readPlanet, widthInDiscs } from '@/core/sky/planet';
import type { EffectiveSystem } from '@/core/optics/foldSystem';
import { useSky } from '@/data/inHand';
import { useNight } from '../useNight';

/** Longest recording that is offered by itself, s. */
const HOUR_S = 3600;

/** The planet chosen, as the set-up in hand draws and records it, on the night chosen if there is one. */
export function usePlanet(system: EffectiveSystem) {
  const sky = useSky();
  const { planet, blurPx } = sky;
  const night = useNight();
  const here = useMemo(() => (night ? planetOn(planet, night.site, night.midnightMs) : null), [night, planet]);
  const window = useMemo(() => (night && here ? bestWindow(here, night.site, night.night) : null), [night, here]);
  const discs = useMemo(
    () =>
      night ? discsOf(night.site, night.midnightMs) : { moonArcsec: USUAL_DISC_ARCSEC, sunArcsec: USUAL_DISC_ARCSEC },
    [night],
  );
  const discArcsec = here?.discArcsec ?? PLANETS[planet].usualArcsec;
  const reading = useMemo(
    () => readPlanet({ system, planet, discArcsec, blurPx }),
    [system, planet, discArcsec, blurPx],
  );
  const durationS = sky.captureS ?? Math.min(HOUR_S, reading.longestCaptureS.value);
  const { margin, exposureMs, linkMbPerS, bits, cardGb } = sky;
  /** What is recorded, as it is set; what depends on the body comes with it. */
  const recording: Recording = { margin, exposureS: exposureMs / 1000, linkMbPerS, durationS, bits, cardGb };
  const order: CaptureInput = {
    ...recording,
    body: system.body,
    discPx: reading.discPx.value * widthInDiscs(planet),
  };
  const capture = planCapture(order);
  const recorded = captureQuantities(order, capture);
  return { planet, night, here, window, discs, discArcsec, reading, durationS, recording, order, capture, recorded };
}

export type PlanetState = ReturnType<typeof usePlanet>;
