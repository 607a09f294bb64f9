import { useState } from 'react';
import { Link } from 'react-router';
import { type Agitation, AGITATION_NAMES } from '#core/extraction';
import type { Recipe } from '#core/recipes';
import {
  celsius,
  degrees,
  millilitres,
  minutesText,
  numberText,
  parseNumber,
  parseVolume,
  volumeText,
  withoutUnit,
} from '#core/units';
import { INFUSER_KINDS, type InfuserKind, INFUSERS } from '#core/vessels';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useUnits } from '../../entities/people/session';
import { PickList } from '../../ui/PickList';
import { Rule } from '../../ui/Rule';
import type { Ranges, Trying } from './trying';

const STIR: Readonly<Record<Agitation, string>> = {
  still: 'left still',
  swirl: 'swirled',
  stirred: 'stirred',
};

/** The tea and what it is tried in. */
export function WhatIfSentence({
  tea,
  tried,
  vessels,
  onVessel,
  onTry,
  onBack,
}: {
  tea: Tea;
  tried: Trying;
  vessels: readonly Vessel[];
  onVessel: (vessel: Vessel) => void;
  onTry: (change: Partial<Trying>) => void;
  onBack: () => void;
}) {
  return (
    <div className="say">
      <span>What if</span>{' '}
      <Link to={`/book/${tea.id}`} className="tea text-[25px]">
        {tea.name}
      </Link>{' '}
      <span>in the</span>
      <PickList
        label="Vessel"
        shown={tried.vessel.name}
        chosen={tried.vessel.id}
        choices={vessels.map((v) => ({ value: v.id, text: v.name }))}
        onPick={(id) => {
          const vessel = vessels.find((v) => v.id === id);
          if (vessel) onVessel(vessel);
        }}
      />
      <span>with</span>
      <PickList
        label="Infuser"
        shown={INFUSERS[tried.infuser].label}
        chosen={tried.infuser}
        choices={INFUSER_KINDS.map((k) => ({ value: k, text: INFUSERS[k].label }))}
        onPick={(infuser: InfuserKind) => onTry({ infuser })}
      />
      <PickList
        label="Motion"
        shown={STIR[tried.agitation]}
        chosen={tried.agitation}
        choices={AGITATION_NAMES.map((k) => ({ value: k, text: STIR[k] }))}
        onPick={(agitation: Agitation) => onTry({ agitation })}
      />
      <span className="gap" />
      <button type="button" className="btn quiet" onClick={onBack}>
        Back to the house cup <kbd>0</kbd>
      </button>
    </div>
  );
}

/** Leaf, heat and time as rules one draws along. */
export function Rules({
  tried,
  home,
  ranges,
  recipe,
  onTry,
}: {
  tried: Trying;
  /** As the house has it, for the open marks. */
  home: Trying;
  ranges: Ranges;
  recipe: Recipe;
  onTry: (change: Partial<Trying>) => void;
}) {
  const { temperature: unit } = useUnits();
  return (
    <>
      <Rule
        name="Leaf"
        value={tried.leaf}
        range={ranges.leaf}
        step={0.1}
        tick={leafTick(ranges.leaf[1])}
        text={(v) => numberText(v)}
        figure={tried.leaf.toFixed(1)}
        unit="g"
        house={home.leaf}
        onValue={(leaf) => onTry({ leaf })}
      />
      <Rule
        name="Heat"
        value={tried.temperature}
        range={ranges.temperature}
        step={1}
        tick={10}
        text={(v) => String(degrees(celsius(v), unit))}
        figure={String(degrees(celsius(tried.temperature), unit))}
        unit={`°${unit}`}
        house={home.temperature}
        window={[recipe.temperature - 3, recipe.temperature + 3]}
        onValue={(temperature) => onTry({ temperature })}
      />
      <Rule
        name="Time"
        value={tried.time}
        range={ranges.time}
        step={5}
        tick={ranges.time[1] > 600 ? 240 : 120}
        text={minutesText}
        figure={minutesText(tried.time)}
        unit=""
        house={home.time}
        window={[recipe.window.earliest, recipe.window.latest]}
        onValue={(time) => onTry({ time })}
      />
    </>
  );
}

/** Ticks of the leaf's rule, g apart, so that a few fit. */
function leafTick(most: number): number {
  if (most > 20) return 5;
  return most > 10 ? 2 : 1;
}

/** Head of the chart, with the water and the altitude to type. */
export function CourseHead({
  tried,
  onTry,
}: {
  tried: Trying;
  onTry: (change: Partial<Trying>) => void;
}) {
  const { volume } = useUnits();
  return (
    <div className="course-head">
      <h2>
        As it steeps<small>0 to 10; half a step is just noticeable</small>
      </h2>
      <Typed
        label="Water"
        text={volumeText(millilitres(tried.water), volume)}
        read={(t) => {
          const v = parseVolume(t, volume);
          if (v.kind === 'bad') return v;
          if (v.value > tried.vessel.brim) return { kind: 'bad', why: 'Over the brim.' };
          return { kind: 'ok', value: v.value as number };
        }}
        onValue={(water) =>
          onTry({ water, leaf: Math.round(((tried.leaf * water) / tried.water) * 10) / 10 })
        }
      />
      <Typed
        label="Altitude"
        text={`${Math.round(tried.altitudeM)} m`}
        read={(t) => {
          const n = parseNumber(withoutUnit(t, ['m']));
          if (n.kind === 'bad') return n;
          if (n.value < -400 || n.value > 5000) return { kind: 'bad', why: '−400 to 5000 m.' };
          return n;
        }}
        onValue={(altitudeM) => onTry({ altitudeM })}
      />
    </div>
  );
}

/** A field in the head of the chart: shows its value, reads what is typed, says what is wrong with it. */
function Typed({
  label,
  text,
  read,
  onValue,
}: {
  label: string;
  text: string;
  read: (t: string) => { kind: 'ok'; value: number } | { kind: 'bad'; why: string };
  onValue: (v: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const take = () => {
    if (typed === null) return;
    const r = read(typed);
    setWrong(r.kind === 'bad' ? r.why : null);
    if (r.kind === 'ok') {
      onValue(r.value);
      setTyped(null);
    }
  };
  return (
    <label className="typed">
      <span>{label}</span>
      <input
        className="box"
        value={typed ?? text}
        onFocus={() => setTyped(text)}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={take}
        onKeyDown={(e) => {
          if (e.key === 'Enter') take();
        }}
        aria-invalid={wrong !== null}
      />
      {wrong && <em role="alert">{wrong}</em>}
    </label>
  );
}
