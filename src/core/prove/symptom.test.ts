import { describe, expect, it } from 'vitest';
import { diagnose, QUESTIONS, SYMPTOMS, type SymptomKnown, type Told } from './symptom.ts';

const nothing: SymptomKnown = {
  verdict: null,
  findings: [],
  heat: null,
  labelContradicts: false,
  verified: false,
  incidents: 0,
  capacityGB: null,
  inCommon: null,
};
const weightOf = (cause: string, ...asked: Parameters<typeof diagnose>) =>
  diagnose(...asked).suspects.find((one) => one.cause === cause)?.weight;

describe('what went wrong', () => {
  it('a rate that holds by promise or proof is innocent; what nobody knows clears nothing', () => {
    for (const verdict of ['guaranteed', 'tight', 'proven'] as const)
      expect(weightOf('rate', 'stopped', { ...nothing, verdict }, {}), verdict).toBe('innocent');
    for (const verdict of ['uncovered', 'drops'] as const)
      expect(weightOf('rate', 'stopped', { ...nothing, verdict }, {}), verdict).toBe('likely');
    expect(weightOf('rate', 'stopped', { ...nothing, verdict: 'claimed' }, {})).toBe('possible');
    expect(weightOf('rate', 'stopped', nothing, {})).toBe('possible');
    expect(weightOf('heat', 'stopped', nothing, {})).toBe('possible');
  });

  it('an innocent rate leads on to file system, format, firmware, counterfeit and lock switch', () => {
    const known: SymptomKnown = { ...nothing, verdict: 'guaranteed', heat: 'cool' };
    const { suspects, ask } = diagnose('stopped', known, {});
    const open = suspects.filter(({ weight }) => weight !== 'innocent').map(({ cause }) => cause);
    expect(open).toEqual(expect.arrayContaining(['file-system', 'format', 'firmware', 'counterfeit', 'locked']));
    expect(open).not.toContain('rate');
    expect(ask).toBe('was-full');
  });

  it('takes what the kit knows: heat, an own pattern of drops, a label that contradicts, incidents', () => {
    expect(weightOf('heat', 'stopped', { ...nothing, heat: 'hot' }, {})).toBe('likely');
    expect(weightOf('card-cache', 'dropped-frames', { ...nothing, inCommon: 'cache' }, {})).toBe('likely');
    expect(weightOf('counterfeit', 'corrupt', { ...nothing, labelContradicts: true }, {})).toBe('likely');
    expect(weightOf('counterfeit', 'corrupt', { ...nothing, verified: true }, {})).toBe('innocent');
    expect(weightOf('card-worn', 'corrupt', { ...nothing, incidents: 1 }, {})).toBe('likely');
  });

  it('an answer outweighs what was worked out', () => {
    const hot: SymptomKnown = { ...nothing, heat: 'hot' };
    expect(weightOf('heat', 'stopped', hot, { 'heat-warning': false })).toBe('innocent');
    expect(weightOf('pulled', 'corrupt', nothing, { pulled: true })).toBe('likely');
  });

  it.each(SYMPTOMS)('%s: asks each question once, then ends', (symptom) => {
    for (const value of [true, false]) {
      let told: Told = {};
      const asked: string[] = [];
      for (let steps = 0; steps <= QUESTIONS.length; steps += 1) {
        const { ask } = diagnose(symptom, nothing, told);
        if (!ask) break;
        asked.push(ask);
        told = { ...told, [ask]: value };
      }
      expect(new Set(asked).size).toBe(asked.length);
      expect(asked.length).toBeGreaterThan(0);
      expect(diagnose(symptom, nothing, told).ask).toBeNull();
    }
    const passed = new Set<string>(QUESTIONS);
    expect(diagnose(symptom, nothing, {}, passed).ask, 'what a person does not know is not asked again').toBeNull();
  });
});
