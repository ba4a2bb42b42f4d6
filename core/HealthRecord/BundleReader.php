<?php

declare(strict_types=1);

namespace Rung\Core\HealthRecord;

use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;

/**
 * Reads a case from a FHIR R4 Bundle as {@see BundleWriter} writes it (docs/formats/fhir.md). The same bounds hold as for
 * a case file. Resources that it does not know are passed over.
 */
final class BundleReader
{
    /** @var array<string, mixed> the case file as far as it was found */
    private array $found = [
        'format' => CaseFile::FORMAT,
        'athlete' => [],
        'case' => [],
        'stages' => [],
        'stage_history' => [],
        'planned' => [],
        'sessions' => [],
        'check_ins' => [],
        'tests' => [],
        'outcomes' => [],
        'sign_offs' => [],
        'reviews' => [],
        'dose_changes' => [],
    ];

    /** @throws InvalidInput where it is no Bundle, or the case that it holds is not sound */
    public static function read(string $text): CaseFile
    {
        $bundle = Json::read($text, static function (ObjectNode $node): array {
            if ($node->text('resourceType') !== 'Bundle') {
                $node->fault('resourceType', 'must be "Bundle"');
            }

            foreach (array_keys(get_object_vars($node->raw())) as $field) {
                $node->known($field);
            }

            /** @var array<mixed> */
            return json_decode((string) json_encode($node->raw()), true);
        });
        $reader = new self();
        $entries = is_array($bundle['entry'] ?? null) ? array_values($bundle['entry']) : [];
        foreach ($entries as $i => $entry) {
            $resource = is_array($entry) ? $entry['resource'] ?? null : null;
            if (!is_array($resource)) {
                throw InvalidInput::at("/entry/$i/resource", 'must be a resource');
            }
            $reader->resource($resource, "/entry/$i/resource");
        }
        if (!isset($reader->found['response_rule'])) {
            throw InvalidInput::at(
                '/entry',
                'holds no programme of staged loading; Rung can read the bundles that it writes (docs/formats/fhir.md)',
            );
        }

        return CaseFile::fromJson(json_encode($reader->found, JSON_THROW_ON_ERROR));
    }

    /** Whether a text looks like a FHIR resource rather than a case file. */
    public static function looksLikeOne(string $text): bool
    {
        return preg_match('/^\s*\{[^{}\[\]]*"resourceType"\s*:/', substr($text, 0, 4096)) === 1;
    }

    /** @param array<mixed> $resource */
    private function resource(array $resource, string $path): void
    {
        $fields = self::extensions($resource, $path);
        match ($resource['resourceType'] ?? null) {
            'Patient' => $this->put('athlete', [
                'name' => self::at($resource, 'name', 0, 'text') ?? self::at($fields, 'athlete', 'name'),
            ]),
            'Condition' => $this->put(
                'case',
                self::map($fields['case'] ?? null) + [
                    'structure' => self::code($resource['code'] ?? null),
                    'opened_on' => $resource['recordedDate'] ?? null,
                    'notes' => self::at($resource, 'note', 0, 'text'),
                ],
            ),
            'Goal' => $this->put('athlete', ['goal' => self::code($resource['description'] ?? null)]),
            'CarePlan' => isset($fields['response_rule'])
                ? $this->programme($resource, $fields, $path)
                : $this->stage($resource, $fields, $path),
            'Procedure' => $this->add(
                'sessions',
                self::map($fields['as_written'] ?? null) +
                    self::map($fields['session'] ?? null) + [
                        'id' => self::at($resource, 'identifier', 0, 'value'),
                        'kind' => self::code($resource['code'] ?? null),
                        'notes' => self::at($resource, 'note', 0, 'text'),
                        'started_at' => self::at($resource, 'performedPeriod', 'start'),
                        'ended_at' => self::at($resource, 'performedPeriod', 'end'),
                    ],
            ),
            'Observation' => $this->observation($resource, $fields),
            'ClinicalImpression' => $this->add(
                'reviews',
                self::map($fields['as_written'] ?? null) +
                    self::map($fields['review'] ?? null) + ['at' => $resource['effectiveDateTime'] ?? null],
            ),
            'Provenance' => $this->add(
                'dose_changes',
                self::map($fields['as_written'] ?? null) +
                    self::map($fields['dose_change'] ?? null) + [
                        'at' => $resource['recorded'] ?? null,
                        'kind' => self::code($resource['activity'] ?? null),
                    ],
            ),
            default => null,
        };
    }

    /**
     * @param array<mixed> $resource
     * @param array<string, mixed> $fields
     */
    private function programme(array $resource, array $fields, string $path): void
    {
        foreach (['timezone', 'response_rule', 'stage_history'] as $name) {
            $this->found[$name] = $fields[$name] ?? null;
        }
        foreach (array_values(self::map($resource['activity'] ?? null)) as $i => $activity) {
            $detail = self::map(self::map($activity)['detail'] ?? null);
            $this->add(
                'planned',
                self::map(self::extensions($detail, "$path/activity/$i/detail")['planned'] ?? null) + [
                    'on' => self::at($detail, 'scheduledTiming', 'event', 0),
                    'slot' => $detail['description'] ?? '',
                ],
            );
        }
    }

    /**
     * @param array<mixed> $resource
     * @param array<string, mixed> $fields
     */
    private function stage(array $resource, array $fields, string $path): void
    {
        if (!isset($fields['stage'])) {
            return;
        }
        $prescriptions = [];
        foreach (array_values(self::map($resource['activity'] ?? null)) as $i => $activity) {
            $prescriptions[] =
                self::extensions(self::map(self::map($activity)['detail'] ?? null), "$path/activity/$i/detail")[
                    'prescription'
                ] ?? null;
        }
        $this->add(
            'stages',
            self::map($fields['stage']) + [
                'key' => self::at($resource, 'identifier', 0, 'value'),
                'title' => $resource['title'] ?? null,
                'prescriptions' => $prescriptions,
            ],
        );
    }

    /**
     * @param array<mixed> $resource
     * @param array<string, mixed> $fields
     */
    private function observation(array $resource, array $fields): void
    {
        $on = $resource['effectiveDateTime'] ?? null;
        $value = self::at($resource, 'valueQuantity', 'value');
        $components = array_map(self::map(...), array_values(self::map($resource['component'] ?? null)));
        $of = static fn(string $code): array => array_values(
            array_filter(
                $components,
                static fn(array $component): bool => self::code($component['code'] ?? null) === $code,
            ),
        );
        $code = self::code($resource['code'] ?? null);
        match (true) {
            self::at($resource, 'code', 'coding', 0, 'code') === '29463-7' => $this->put('athlete', [
                'body_mass_kg' => $value,
            ]),
            $code === 'morning-test' => $this->add(
                'check_ins',
                self::map($fields['as_written'] ?? null) +
                    self::map($fields['check_in'] ?? null) + [
                        'id' => self::at($resource, 'identifier', 0, 'value'),
                        'at' => $on,
                        'provocation' => $value,
                        'notes' => self::at($resource, 'note', 0, 'text'),
                        'stiffness_min' => self::at($of('morning-stiffness'), 0, 'valueQuantity', 'value'),
                        'signs' =>
                            ($signs = $of('sign')) === []
                                ? null
                                : array_map(
                                    static fn(array $sign): ?string => self::code(
                                        $sign['valueCodeableConcept'] ?? null,
                                    ),
                                    $signs,
                                ),
                    ],
            ),
            $code === 'technique-signed' => $this->add(
                'sign_offs',
                self::map($fields['sign_off'] ?? null) + ['on' => $on],
            ),
            $code === 'severity-score' => $this->add('outcomes', [
                'measure' => self::at($resource, 'code', 'text'),
                'on' => $on,
                'score' => $value,
            ]),
            $of('affected') !== [] => $this->add('tests', [
                'test' => $code,
                'on' => $on,
                'affected' => self::at($of('affected'), 0, 'valueQuantity', 'value'),
                'unaffected' => self::at($of('unaffected'), 0, 'valueQuantity', 'value'),
                'unit' => self::at($of('affected'), 0, 'valueQuantity', 'unit'),
            ]),
            default => null,
        };
    }

    /** @param array<mixed> $fields */
    private function put(string $part, array $fields): void
    {
        $this->found[$part] =
            array_filter($fields, static fn(mixed $value): bool => $value !== null) +
            self::map($this->found[$part] ?? null);
    }

    /** @param array<mixed> $fields */
    private function add(string $part, array $fields): void
    {
        $this->found[$part] = [
            ...array_values(self::map($this->found[$part] ?? null)),
            array_filter($fields, static fn(mixed $value): bool => $value !== null),
        ];
    }

    /**
     * @param array<mixed> $resource
     *
     * @return array<string, mixed> what our extensions hold, by their names
     *
     * @throws InvalidInput
     */
    private static function extensions(array $resource, string $path): array
    {
        $fields = [];
        foreach (array_values(self::map($resource['extension'] ?? null)) as $i => $extension) {
            $url = self::map($extension)['url'] ?? null;
            if (is_string($url) && str_starts_with($url, Codes::FIELDS)) {
                $fields[substr($url, strlen(Codes::FIELDS))] = Fields::read(
                    self::map($extension),
                    "$path/extension/$i",
                );
            }
        }

        return $fields;
    }

    /** Our own code of a concept. */
    private static function code(mixed $concept): ?string
    {
        foreach (self::map(self::map($concept)['coding'] ?? null) as $coding) {
            $coding = self::map($coding);
            if (($coding['system'] ?? null) === Codes::OWN && is_string($coding['code'] ?? null)) {
                return $coding['code'];
            }
        }

        return null;
    }

    private static function at(mixed $value, string|int ...$steps): mixed
    {
        foreach ($steps as $step) {
            $value = is_array($value) ? $value[$step] ?? null : null;
        }

        return $value;
    }

    /** @return array<mixed> */
    private static function map(mixed $value): array
    {
        return is_array($value) ? $value : [];
    }
}
