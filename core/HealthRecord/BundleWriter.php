<?php

declare(strict_types=1);

namespace Rung\Core\HealthRecord;

use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\Record;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Stage\Stage;
use Rung\Core\Time\Moment;
use Rung\Core\Words\DoseWords;

/**
 * A case as a FHIR R4 Bundle that other systems can read (docs/formats/fhir.md says where each field stands). It holds
 * the whole case file: {@see BundleReader} gives it back.
 */
final class BundleWriter
{
    /** A dateTime as FHIR writes it: to the second at least. */
    private const MOMENT = '/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?(Z|[+-]\d\d:\d\d)$/';

    /** @var list<array<string, mixed>> */
    private array $entries = [];

    private readonly string $seed;

    private function __construct(
        private readonly CaseFile $file,
        private readonly RecordAbout $about,
        private readonly Catalogue $catalogue,
    ) {
        $this->seed = json_encode(
            [$file->athlete->name, $file->case->structure, $file->case->side, $file->case->opened_on->toIso()],
            JSON_THROW_ON_ERROR,
        );
    }

    /** @return array<string, mixed> the Bundle */
    public static function write(CaseFile $file, Catalogue $catalogue, RecordAbout $about = new RecordAbout()): array
    {
        $writer = new self($file, $about, $catalogue);
        $writer->people();
        $writer->condition();
        $writer->plans();
        foreach ($file->sessions as $session) {
            $writer->session($session);
        }
        foreach ($file->check_ins as $checkIn) {
            $writer->checkIn($checkIn);
        }
        $writer->measures();
        $writer->judgements();

        return ['resourceType' => 'Bundle', 'type' => 'collection', 'entry' => $writer->entries];
    }

    private function people(): void
    {
        $this->add(
            'Patient',
            'patient',
            array_filter([
                'name' => $this->file->athlete->name === '' ? null : [['text' => $this->file->athlete->name]],
                'birthDate' => $this->about->bornOn?->toIso(),
                'extension' => $this->file->athlete->name === '' ? [self::extension('athlete', ['name' => ''])] : null,
            ]),
        );
        $this->add(
            'PractitionerRole',
            'role',
            array_filter([
                'active' => true,
                'practitioner' =>
                    $this->about->practitioner === null ? null : ['display' => $this->about->practitioner],
                'organization' => $this->about->practice === null ? null : ['display' => $this->about->practice],
                'code' => [['text' => 'Sports physiotherapist']],
            ]),
        );
        if ($this->file->athlete->body_mass_kg !== null) {
            $this->add('Observation', 'body-mass', [
                'status' => 'final',
                'category' => [Codes::category('vital-signs')],
                'code' => ['coding' => [['system' => Codes::LOINC, 'code' => '29463-7', 'display' => 'Body weight']]],
                'subject' => $this->patient(),
                'effectiveDateTime' => $this->file->case->opened_on->toIso(),
                'valueQuantity' => Codes::quantity($this->file->athlete->body_mass_kg, 'kg'),
            ]);
        }
    }

    private function condition(): void
    {
        $case = $this->file->case;
        $title = $this->catalogue->structures[$case->structure->value]->title ?? $case->structure->value;
        $this->add(
            'Condition',
            'condition',
            array_filter([
                'extension' => [
                    self::extension(
                        'case',
                        Record::withoutNulls([
                            'side' => $case->side->value,
                            'purpose' => $case->purpose?->value,
                            'review_on' => $case->review_on?->toIso(),
                            'notes' => $case->notes === '' ? '' : null,
                        ]),
                    ),
                ],
                'clinicalStatus' => [
                    'coding' => [
                        [
                            'system' => 'http://terminology.hl7.org/CodeSystem/condition-clinical',
                            'code' => $this->about->closedOn === null ? 'active' : 'inactive',
                        ],
                    ],
                ],
                'code' => Codes::own($case->structure->value, $title),
                'bodySite' => [['text' => $case->side->value === 'both' ? 'both sides' : $case->side->value]],
                'subject' => $this->patient(),
                'onsetDateTime' => $this->about->beganOn?->toIso(),
                'abatementDateTime' => $this->about->closedOn?->toIso(),
                'recordedDate' => $case->opened_on->toIso(),
                'note' => self::note($case->notes),
            ]),
        );
        $goal = $this->file->athlete->goal->value;
        $this->add(
            'Goal',
            'goal',
            [
                'lifecycleStatus' => 'active',
                'description' => Codes::own($goal, 'Back to ' . strtr($goal, '_', ' ')),
                'subject' => $this->patient(),
                'addresses' => [$this->reference('condition')],
            ] + ($this->about->goalOn === null ? [] : ['target' => [['dueDate' => $this->about->goalOn->toIso()]]]),
        );
    }

    private function plans(): void
    {
        $isOver = $this->about->closedOn !== null;
        $this->add(
            'CarePlan',
            'programme',
            array_filter([
                'extension' => [
                    self::extension('timezone', $this->file->timezone->name()),
                    self::extension('response_rule', $this->file->response_rule->toArray()),
                    self::extension('stage_history', Record::each($this->file->stage_history)),
                ],
                'status' => $isOver ? 'completed' : 'active',
                'intent' => 'plan',
                'category' => [Codes::own('loading-programme')],
                'title' => $this->about->programme,
                'subject' => $this->patient(),
                'period' => array_filter([
                    'start' => $this->file->case->opened_on->toIso(),
                    'end' => $this->about->closedOn?->toIso(),
                ]),
                'author' => $this->reference('role'),
                'addresses' => [$this->reference('condition')],
                'goal' => [$this->reference('goal')],
                'activity' => array_map(
                    static fn(PlannedSession $planned): array => [
                        'detail' =>
                            [
                                'extension' => [self::extension('planned', ['id' => $planned->id])],
                                'code' => ['text' => "Session: $planned->slot"],
                                'status' => 'scheduled',
                                'doNotPerform' => false,
                                'scheduledTiming' => ['event' => [$planned->on->toIso()]],
                            ] + ($planned->slot === '' ? [] : ['description' => $planned->slot]),
                    ],
                    $this->file->planned,
                ),
            ]),
        );
        $current = $this->file->stage_history[count($this->file->stage_history) - 1]->stage ?? null;
        foreach ($this->file->stages as $stage) {
            $this->stage($stage, $isOver || $stage->key !== $current);
        }
    }

    private function stage(Stage $stage, bool $rests): void
    {
        $fields = $stage->toArray();
        $prescriptions = is_array($fields['prescriptions'] ?? null) ? array_values($fields['prescriptions']) : [];
        unset($fields['prescriptions'], $fields['key'], $fields['title']);
        $this->add(
            'CarePlan',
            "stage $stage->key",
            array_filter([
                'identifier' => [self::identifier('stage', $stage->key)],
                'extension' => [self::extension('stage', $fields + ($stage->title === '' ? ['title' => ''] : []))],
                'partOf' => [$this->reference('programme')],
                'status' => $rests ? 'on-hold' : 'active',
                'intent' => 'plan',
                'title' => $stage->title === '' ? null : $stage->title,
                'subject' => $this->patient(),
                'activity' => array_map(
                    fn(int $i, mixed $prescription): array => [
                        'detail' => [
                            'extension' => [self::extension('prescription', $prescription)],
                            'code' => ['text' => $this->catalogue->titleOf($stage->prescriptions[$i]->exercise)],
                            'status' => 'scheduled',
                            'description' => DoseWords::describe($stage->prescriptions[$i], $this->file->tests !== []),
                        ],
                    ],
                    array_keys($prescriptions),
                    $prescriptions,
                ),
            ]),
        );
    }

    private function session(Session $session): void
    {
        $fields = Record::toArray($session);
        $notes = $session->notes;
        unset($fields['id'], $fields['kind'], $fields['started_at'], $fields['ended_at']);
        if ($notes !== null && $notes !== '') {
            unset($fields['notes']);
        }
        $this->add(
            'Procedure',
            "session $session->id",
            array_filter([
                'identifier' => [self::identifier('session', $session->id)],
                'extension' => [
                    self::extension('session', $fields),
                    ...self::moments(['started_at' => $session->started_at, 'ended_at' => $session->ended_at]),
                ],
                'basedOn' => [$this->reference("stage $session->stage")],
                'status' => 'completed',
                'code' => Codes::own(
                    $session->kind->value,
                    $session->kind === SessionKind::Loading ? 'Loading session' : 'Practice, training or show',
                ),
                'subject' => $this->patient(),
                'performedPeriod' => [
                    'start' => self::moment($session->started_at),
                    'end' => self::moment($session->ended_at),
                ],
                'reasonReference' => [$this->reference('condition')],
                'note' => self::note($notes),
            ]),
        );
        $worst = $session->during();
        if ($worst !== null) {
            // Told for others; what counts is read from the session.
            $this->add('Observation', "pain $session->id", [
                'partOf' => [$this->reference("session $session->id")],
                'status' => 'final',
                'category' => [Codes::category('survey')],
                'code' => Codes::withLoinc(
                    'worst-pain',
                    '72514-3',
                    'Pain severity - 0-10 verbal numeric rating [Score] - Reported',
                ),
                'subject' => $this->patient(),
                'effectiveDateTime' => self::moment($session->ended_at),
                'valueQuantity' => Codes::quantity($worst, 'score'),
            ]);
        }
    }

    private function checkIn(CheckIn $checkIn): void
    {
        $components =
            $checkIn->stiffness_min === null
                ? []
                : [
                    [
                        'code' => Codes::own('morning-stiffness'),
                        'valueQuantity' => Codes::quantity($checkIn->stiffness_min, 'min'),
                    ],
                ];
        foreach ($checkIn->signs ?? [] as $sign) {
            $components[] = ['code' => Codes::own('sign'), 'valueCodeableConcept' => Codes::own($sign->value)];
        }
        $rest = Record::withoutNulls([
            'late' => $checkIn->late,
            'signs' => $checkIn->signs === [] ? [] : null,
            'notes' => $checkIn->notes === '' ? '' : null,
        ]);
        $this->add(
            'Observation',
            "check-in $checkIn->id",
            array_filter([
                'identifier' => [self::identifier('check-in', $checkIn->id)],
                'extension' => [
                    ...self::moments(['at' => $checkIn->at]),
                    ...$rest === [] ? [] : [self::extension('check_in', $rest)],
                ],
                'status' => 'final',
                'category' => [Codes::category('survey')],
                'code' => Codes::withLoinc(
                    'morning-test',
                    '72514-3',
                    'Pain severity - 0-10 verbal numeric rating [Score] - Reported',
                ),
                'subject' => $this->patient(),
                'effectiveDateTime' => self::moment($checkIn->at),
                'valueQuantity' =>
                    $checkIn->provocation === null ? null : Codes::quantity($checkIn->provocation, 'score'),
                'dataAbsentReason' =>
                    $checkIn->provocation === null
                        ? [
                            'coding' => [
                                [
                                    'system' => 'http://terminology.hl7.org/CodeSystem/data-absent-reason',
                                    'code' => 'not-asked',
                                ],
                            ],
                        ]
                        : null,
                'note' => self::note($checkIn->notes),
                'component' => $components,
            ]),
        );
    }

    private function measures(): void
    {
        foreach ($this->file->tests as $i => $test) {
            $this->add('Observation', "test $i", [
                'status' => 'final',
                'category' => [Codes::category('exam')],
                'code' => Codes::own($test->test, $this->catalogue->measures[$test->test]->title ?? null),
                'subject' => $this->patient(),
                'effectiveDateTime' => $test->on->toIso(),
                'component' => self::sides($test),
            ]);
        }
        foreach ($this->file->outcomes as $i => $outcome) {
            $this->add('Observation', "outcome $i", [
                'status' => 'final',
                'category' => [Codes::category('survey')],
                'code' => ['text' => $outcome->measure] + Codes::own('severity-score'),
                'subject' => $this->patient(),
                'effectiveDateTime' => $outcome->on->toIso(),
                'valueQuantity' => Codes::quantity($outcome->score, 'score'),
            ]);
        }
    }

    /** @return list<array<string, mixed>> */
    private static function sides(StrengthTest $test): array
    {
        $sides = [];
        foreach (['affected' => $test->affected, 'unaffected' => $test->unaffected] as $side => $value) {
            $sides[] = ['code' => Codes::own($side), 'valueQuantity' => Codes::quantity($value, $test->unit)];
        }

        return $sides;
    }

    private function judgements(): void
    {
        foreach ($this->file->sign_offs as $i => $signOff) {
            $this->add('Observation', "sign-off $i", [
                'extension' => [self::extension('sign_off', ['stage' => $signOff->stage])],
                'status' => 'final',
                'category' => [Codes::category('exam')],
                'code' => Codes::own('technique-signed'),
                'subject' => $this->patient(),
                'effectiveDateTime' => $signOff->on->toIso(),
                'performer' => [$this->reference('role')],
                'valueBoolean' => true,
            ]);
        }
        foreach ($this->file->reviews as $i => $review) {
            $this->add('ClinicalImpression', "review $i", [
                'extension' => [
                    self::extension('review', ['clears' => $review->clears]),
                    ...self::moments(['at' => $review->at]),
                ],
                'status' => 'completed',
                'code' => Codes::own('stop-reviewed'),
                'subject' => $this->patient(),
                'effectiveDateTime' => self::moment($review->at),
            ]);
        }
        foreach ($this->file->dose_changes as $i => $change) {
            $this->add(
                'Provenance',
                "change $i",
                array_filter([
                    'extension' => [
                        ...self::moments(['at' => $change->at]),
                        ...$change->prescription === null
                            ? []
                            : [self::extension('dose_change', ['prescription' => $change->prescription])],
                    ],
                    'target' => [$this->reference('programme')],
                    'recorded' => self::moment($change->at),
                    'activity' => Codes::own($change->kind->value),
                    'agent' => [['who' => $this->reference('role')]],
                ]),
            );
        }
    }

    /** @param array<string, mixed> $fields */
    private function add(string $type, string $name, array $fields): void
    {
        $this->entries[] = ['fullUrl' => $this->urn($name), 'resource' => ['resourceType' => $type] + $fields];
    }

    /** @return array{reference: string} */
    private function patient(): array
    {
        return $this->reference('patient');
    }

    /** @return array{reference: string} */
    private function reference(string $name): array
    {
        return ['reference' => $this->urn($name)];
    }

    /** The same case always has the same addresses: a UUID of version 5 of what it names. */
    private function urn(string $name): string
    {
        $hash = sha1("https://rung.example/fhir\n$this->seed\n$name");
        $variant = dechex((hexdec($hash[16]) & 0x3) | 0x8);

        return 'urn:uuid:' .
            implode('-', [
                substr($hash, 0, 8),
                substr($hash, 8, 4),
                '5' . substr($hash, 13, 3),
                $variant . substr($hash, 17, 3),
                substr($hash, 20, 12),
            ]);
    }

    /** @return array<string, mixed> */
    private static function extension(string $name, mixed $value): array
    {
        return Fields::write(Codes::FIELDS . $name, $value);
    }

    /** @return array{system: string, value: string} */
    private static function identifier(string $what, string $value): array
    {
        return ['system' => Codes::IDENTIFIER . $what, 'value' => $value];
    }

    /** @return list<array{text: string}>|null */
    private static function note(?string $text): ?array
    {
        return $text === null || $text === '' ? null : [['text' => $text]];
    }

    private static function moment(Moment $at): string
    {
        return preg_match(self::MOMENT, $at->toIso()) === 1
            ? $at->toIso()
            : $at->toDateTime()->format('Y-m-d\TH:i:s.uP');
    }

    /**
     * Moments that were written another way than FHIR has it keep their own text beside it.
     *
     * @param array<string, Moment> $moments by field
     *
     * @return list<array<string, mixed>>
     */
    private static function moments(array $moments): array
    {
        $other = array_filter($moments, static fn(Moment $at): bool => self::moment($at) !== $at->toIso());

        return $other === []
            ? []
            : [self::extension('as_written', array_map(static fn(Moment $at): string => $at->toIso(), $other))];
    }
}
