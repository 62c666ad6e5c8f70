declare module "@asymmetrik/fhir-json-schema-validator" {
  /** Checks a resource against the published JSON schema of R4; gives what does not fit. */
  export default class JSONSchemaValidator {
    validate(resource: object): { dataPath?: string; message?: string }[];
  }
}
