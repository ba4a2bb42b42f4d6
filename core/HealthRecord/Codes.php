<?php

declare(strict_types=1);

namespace Rung\Core\HealthRecord;

use Rung\Core\Record\DoseChangeKind;
use Rung\Core\Record\SessionKind;
use Rung\Core\Record\Sign;
use Rung\Core\Record\Structure;

/** The code systems that a health record names (docs/formats/fhir.md, "Codes"). */
final class Codes
{
    public const OWN = 'https://rung.example/fhir/CodeSystem/rung';

    public const FIELDS = 'https://rung.example/fhir/StructureDefinition/';

    public const IDENTIFIER = 'https://rung.example/fhir/NamingSystem/';

    public const LOINC = 'http://loinc.org';

    public const UCUM = 'http://unitsofmeasure.org';

    private const OBSERVATION_CATEGORY = 'http://terminology.hl7.org/CodeSystem/observation-category';

    /** Units of measures as UCUM writes them; what is not listed is a count or a score. */
    private const UNITS = [
        'N' => 'N',
        'kg' => 'kg',
        'Nm' => 'N.m',
        'N·m' => 'N.m',
        's' => 's',
        'min' => 'min',
        'cm' => 'cm',
        'mm' => 'mm',
        'm' => 'm',
        '°' => 'deg',
        'deg' => 'deg',
        '%' => '%',
        'N/kg' => 'N/kg',
    ];

    /** Codes of ours that are no enum of the core. */
    private const OTHERS = [
        'morning-test' => 'Provocation test in the morning, 0 to 10',
        'morning-stiffness' => 'Stiffness in the morning',
        'sign' => 'Sign that was reported',
        'worst-pain' => 'Worst pain during a session, 0 to 10',
        'affected' => 'Sore side, or the left where both are affected',
        'unaffected' => 'Other side, or the right where both are affected',
        'technique-signed' => 'Technique of a stage is sound, signed off by the practitioner',
        'stop-reviewed' => 'A stop was reviewed and cleared',
        'severity-score' => 'Severity score of a questionnaire',
        'loading-programme' => 'Staged loading programme',
    ];

    /** @return array<string, mixed> a CodeableConcept of ours */
    public static function own(string $code, ?string $display = null): array
    {
        $display ??= self::OTHERS[$code] ?? ucfirst(strtr($code, '_-', '  '));

        return ['coding' => [['system' => self::OWN, 'code' => $code, 'display' => $display]], 'text' => $display];
    }

    /** @return array<string, mixed> the same with the code of a standard beside it */
    public static function withLoinc(string $code, string $loinc, string $display): array
    {
        $concept = self::own($code);
        $concept['coding'] = [
            ...is_array($concept['coding']) ? $concept['coding'] : [],
            ['system' => self::LOINC, 'code' => $loinc, 'display' => $display],
        ];

        return $concept;
    }

    /** @return array<string, mixed> of an observation: vital-signs, survey, exam or activity */
    public static function category(string $code): array
    {
        return ['coding' => [['system' => self::OBSERVATION_CATEGORY, 'code' => $code]]];
    }

    /** @return array<string, mixed> a Quantity */
    public static function quantity(int|float $value, string $unit): array
    {
        $code = self::UNITS[$unit] ?? '{' . (preg_replace('/[^a-z]/', '', strtolower($unit)) ?: 'score') . '}';

        return ['value' => $value, 'unit' => $unit, 'system' => self::UCUM, 'code' => $code];
    }

    /** @return array<string, mixed> our code system as a resource of its own */
    public static function system(): array
    {
        $concepts = [];
        foreach (
            [...Structure::cases(), ...Sign::cases(), ...SessionKind::cases(), ...DoseChangeKind::cases()]
            as $case
        ) {
            $concepts[$case->value] ??= ucfirst(strtr($case->value, '_', ' '));
        }
        foreach (self::OTHERS as $code => $display) {
            $concepts[$code] = $display;
        }

        return [
            'resourceType' => 'CodeSystem',
            'url' => self::OWN,
            'name' => 'RungCodes',
            'title' => 'Codes of staged tendon and muscle loading',
            'status' => 'active',
            'experimental' => false,
            'description' =>
                'What standard code systems have no code for. Measures and exercises of a practice carry their own keys, so that this list is a fragment.',
            'caseSensitive' => true,
            'content' => 'fragment',
            'concept' => array_map(
                static fn(string $code, string $display): array => ['code' => $code, 'display' => $display],
                array_map(strval(...), array_keys($concepts)),
                array_values($concepts),
            ),
        ];
    }
}
