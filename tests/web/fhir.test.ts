import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

import FhirSchema from '@asymmetrik/fhir-json-schema-validator';
import { Fhir } from 'fhir';
import { describe, expect, it } from 'vitest';

type Resource = { resourceType: string } & Record<string, unknown>;

interface Bundle {
  resourceType: string;
  entry: { resource: Resource }[];
}

/** What bin/rung makes of a worked case. */
const bundleOf = (name: string): Bundle =>
  JSON.parse(
    execFileSync('php', ['bin/rung', 'fhir', `tests/core/examples/${name}.case.json`], {
      encoding: 'utf8',
      maxBuffer: 64 * 1024 * 1024,
    }),
  ) as Bundle;

const CASES = ['evaluate-597', 'evaluate-660', 'evaluate-632'];

/** The official JSON Schema of R4, and a reader that is not ours, find nothing wrong with what Rung writes. */
describe('a case as a FHIR R4 bundle', () => {
  const schema = new FhirSchema();
  const reader = new Fhir();

  it.each(CASES)('%s stands up to the official JSON Schema', (name) => {
    const bundle = bundleOf(name);
    expect(bundle.entry.length).toBeGreaterThan(5);
    for (const { resource } of bundle.entry)
      expect([resource.resourceType, schema.validate(resource)]).toEqual([resource.resourceType, []]);
    expect(schema.validate(bundle)).toEqual([]);
  });

  it.each(CASES)('%s is sound to another reader, which gives it back through XML', (name) => {
    const bundle = bundleOf(name);
    const messages = reader.validate(bundle, { errorOnUnexpected: true });
    expect(messages.messages.filter((message) => ['error', 'fatal'].includes(String(message.severity)))).toEqual([]);
    expect(messages.valid).toBe(true);
    const back = JSON.parse(reader.xmlToJson(reader.objToXml(bundle))) as Bundle;
    expect(back.entry.map(({ resource }) => resource.resourceType)).toEqual(
      bundle.entry.map(({ resource }) => resource.resourceType),
    );
  });

  it('both find what is wrong', () => {
    const bundle = bundleOf('evaluate-660');
    const patient: Resource = bundle.entry[0]?.resource ?? { resourceType: '' };
    patient.name = 'a text';
    patient.favourite = 'blue';
    expect(schema.validate(patient)).not.toEqual([]);
    expect(reader.validate(bundle, { errorOnUnexpected: true }).valid).toBe(false);
  });

  it('the code system that ships is sound', () => {
    const shipped = JSON.parse(readFileSync('docs/formats/fhir-codes.json', 'utf8')) as Record<string, unknown>;
    expect(schema.validate(shipped)).toEqual([]);
    expect(reader.validate(shipped, { errorOnUnexpected: true }).valid).toBe(true);
  });
});
