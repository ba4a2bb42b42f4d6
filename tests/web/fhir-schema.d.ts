/** The package has no types of its own. */
declare module '@asymmetrik/fhir-json-schema-validator' {
  export default class FhirSchema {
    /** What is wrong with a resource; nothing where it is sound. */
    validate(resource: { resourceType?: unknown }): unknown[];
  }
}
