import { scaleLinear } from 'd3-scale';
import { describe, expect, it } from 'vitest';
import type { View } from '../api/client';
import { bare, roundTicks } from './ticks';

const INCH = { length: { unit: 'in', factor: 0.0254, offset: 0, decimals: 2 } } as unknown as View;
const KELVIN = { temperature: { unit: '°C', factor: 1, offset: 273.15, decimals: 0 } } as unknown as View;

describe('ticks', () => {
  it('stand at round numbers of the unit that is shown', () => {
    const ticks = roundTicks(scaleLinear([0, 2], [0, 100]), 4, 'length', INCH);
    expect(ticks.map((t) => Math.round((t / 0.0254) * 1e6) / 1e6)).toEqual([0, 20, 40, 60]);
  });
  it('follow a scale that does not begin at nothing', () => {
    const ticks = roundTicks(scaleLinear([280, 380], [0, 100]), 4, 'temperature', KELVIN);
    expect(ticks.map((t) => Math.round(t - 273.15))).toEqual([20, 40, 60, 80, 100]);
  });
  it('are written without their unit and without zeros behind the point', () => {
    const view = { length: { unit: 'in', factor: 0.0254, offset: 0, decimals: 2 } } as unknown as View;
    expect(bare(0.508, 'length', view)).toBe('20');
    expect(bare(0.0127, 'length', view)).toBe('0.50');
    const turn = { angle: { unit: '°', factor: Math.PI / 180, offset: 0, decimals: 2 } } as unknown as View;
    expect(bare(Math.PI / 6, 'angle', turn)).toBe('30');
  });
});
