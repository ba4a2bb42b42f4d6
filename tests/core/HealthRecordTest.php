<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\HealthRecord\BundleReader;
use Rung\Core\HealthRecord\BundleWriter;
use Rung\Core\HealthRecord\Codes;
use Rung\Core\HealthRecord\Fields;
use Rung\Core\HealthRecord\RecordAbout;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;

/** A case as a FHIR bundle holds all of it, and is read again as it was (docs/formats/fhir.md). */
final class HealthRecordTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function cases(): iterable
    {
        foreach (glob(__DIR__ . '/examples/*.case.json') ?: [] as $file) {
            yield basename($file) => [$file];
        }
    }

    #[DataProvider('cases')]
    public function testEveryWorkedCaseComesBackWhole(string $path): void
    {
        $file = CaseFile::fromJson((string) file_get_contents($path));
        self::assertEquals(
            $file->toArray(),
            BundleReader::read(self::json(BundleWriter::write($file, Support::catalogue())))->toArray(),
        );
    }

    public function testCasesOfMadeUpAthletesComeBackWhole(): void
    {
        foreach (range(1, 12) as $seed) {
            $file = Support::played($seed, 20 * $seed)->file;
            $bundle = self::json(
                BundleWriter::write(
                    $file,
                    Support::catalogue(),
                    new RecordAbout(
                        Day::fromIso('1998-05-04'),
                        Day::fromIso('2026-01-12'),
                        null,
                        null,
                        'Knee in four stages',
                        'Ola Vance',
                        'Ropewalk Circus School',
                    ),
                ),
            );
            self::assertSame(json_encode($file->toArray()), json_encode(BundleReader::read($bundle)->toArray()));
            self::assertSame(
                $bundle,
                self::json(
                    BundleWriter::write(
                        $file,
                        Support::catalogue(),
                        new RecordAbout(
                            Day::fromIso('1998-05-04'),
                            Day::fromIso('2026-01-12'),
                            null,
                            null,
                            'Knee in four stages',
                            'Ola Vance',
                            'Ropewalk Circus School',
                        ),
                    ),
                ),
                'written twice, it is the same',
            );
        }
    }

    public function testCasesAtRandomComeBackWhole(): void
    {
        foreach (range(1, 60) as $seed) {
            $file = RandomCase::withSeed($seed);
            self::assertEquals(
                $file->toArray(),
                BundleReader::read(self::json(BundleWriter::write($file, Support::catalogue())))->toArray(),
                "seed $seed",
            );
        }
    }

    /** What FHIR has no form for: empty texts and lists, moments without seconds. */
    public function testOddFieldsComeBackAsTheyWereWritten(): void
    {
        $file = CaseBuilder::case()
            ->with([
                'check_ins' => [
                    ['id' => 'a', 'at' => '2026-03-02T07:00Z', 'provocation' => 2, 'signs' => [], 'notes' => ''],
                    [
                        'id' => 'b',
                        'at' => '2026-03-03T07:00:00.25+01:00',
                        'stiffness_min' => 2.5,
                        'late' => false,
                        'notes' => ' ',
                    ],
                ],
                'sessions' => [
                    [
                        'id' => 's',
                        'stage' => 'slow',
                        'kind' => 'loading',
                        'started_at' => '2026-03-02T18:00Z',
                        'ended_at' => '2026-03-02T18:40:00Z',
                        'notes' => '',
                        'signs' => [],
                        'entries' => [['prescription' => 'press', 'pain' => 1, 'sets' => []]],
                    ],
                ],
                'reviews' => [['at' => '2026-03-03T09:00Z', 'clears' => 's']],
                'dose_changes' => [['at' => '2026-03-04T09:00Z', 'kind' => 'manual']],
            ])
            ->file();
        $fields = $file->toArray();
        $fields['stages'] = array_map(
            static fn(mixed $stage): array => ['title' => ''] + (array) $stage,
            (array) $fields['stages'],
        );
        $odd = CaseFile::fromJson(self::json(['case' => ['notes' => ''] + (array) $fields['case']] + $fields));
        self::assertSame(
            json_encode($odd->toArray()),
            json_encode(BundleReader::read(self::json(BundleWriter::write($odd, Support::catalogue())))->toArray()),
        );
        self::assertStringContainsString(
            '"effectiveDateTime":"2026-03-02T07:00:00',
            self::json(BundleWriter::write($odd, Support::catalogue())),
            'others read a moment to the second',
        );
    }

    public function testItTellsOthersWhatTheyKnowHowToRead(): void
    {
        $case = CaseBuilder::case()
            ->morning(2, 3, 15, ['night_ache'])
            ->session(2, 4)
            ->review(3, 's1')
            ->with([
                'tests' => [
                    [
                        'test' => 'knee_extension_strength',
                        'on' => '2026-03-02',
                        'affected' => 300.5,
                        'unaffected' => 400,
                        'unit' => 'N',
                    ],
                ],
            ]);
        $entries = (array) BundleWriter::write(
            $case->file(),
            Support::catalogue(),
            new RecordAbout(closedOn: Day::fromIso('2026-03-20')),
        )['entry'];
        $resources = array_column($entries, 'resource', 'fullUrl');
        $of = static fn(string $type, string $code = ''): array => array_values(
            array_filter(
                $resources,
                static fn(mixed $resource): bool => self::at($resource, 'resourceType') === $type &&
                    ($code === '' || self::at($resource, 'code', 'coding', 0, 'code') === $code),
            ),
        );

        self::assertSame('Kneecap tendon', self::at($of('Condition'), 0, 'code', 'text'));
        self::assertSame('inactive', self::at($of('Condition'), 0, 'clinicalStatus', 'coding', 0, 'code'));
        self::assertSame('2026-03-20', self::at($of('Condition'), 0, 'abatementDateTime'));
        $morning = $of('Observation', 'morning-test')[0];
        self::assertSame(
            ['value' => 3, 'unit' => 'score', 'system' => 'http://unitsofmeasure.org', 'code' => '{score}'],
            self::at($morning, 'valueQuantity'),
        );
        self::assertSame('72514-3', self::at($morning, 'code', 'coding', 1, 'code'));
        self::assertSame(
            ['value' => 15, 'unit' => 'min', 'system' => 'http://unitsofmeasure.org', 'code' => 'min'],
            self::at($morning, 'component', 0, 'valueQuantity'),
        );
        self::assertSame('night_ache', self::at($morning, 'component', 1, 'valueCodeableConcept', 'coding', 0, 'code'));
        self::assertSame(4, self::at($of('Observation', 'worst-pain'), 0, 'valueQuantity', 'value'));
        $strength = $of('Observation', 'knee_extension_strength');
        self::assertSame(
            [300.5, 'N', 400, 'N'],
            array_map(
                static fn(array $steps): mixed => self::at(
                    $strength,
                    0,
                    'component',
                    $steps[0],
                    'valueQuantity',
                    $steps[1],
                ),
                [[0, 'value'], [0, 'code'], [1, 'value'], [1, 'code']],
            ),
        );
        self::assertSame('3 × 8 at 40 kg', self::at($of('CarePlan'), 1, 'activity', 0, 'detail', 'description'));
        $stage = self::at($of('Procedure'), 0, 'basedOn', 0, 'reference');
        self::assertIsString($stage);
        self::assertSame(
            'slow',
            self::at($resources, $stage, 'identifier', 0, 'value'),
            'a session points at its stage',
        );
    }

    public function testEveryReferenceIsToSomethingInIt(): void
    {
        $bundle = BundleWriter::write(Support::played(4, 80)->file, Support::catalogue());
        $urls = array_values(array_filter(array_column((array) $bundle['entry'], 'fullUrl'), is_string(...)));
        self::assertCount(count((array) $bundle['entry']), $urls);
        self::assertSame($urls, array_values(array_unique($urls)));
        foreach ($urls as $url) {
            self::assertMatchesRegularExpression(
                '/^urn:uuid:[0-9a-f]{8}-[0-9a-f]{4}-5[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/',
                $url,
            );
        }
        preg_match_all('/"reference":"([^"]+)"/', self::json($bundle), $named);
        self::assertGreaterThan(100, count($named[1]));
        self::assertSame([], array_diff($named[1], $urls));
    }

    public function testTheCodeSystemThatShipsIsTheOneThatIsUsed(): void
    {
        $shipped = json_decode((string) file_get_contents(__DIR__ . '/../../docs/formats/fhir-codes.json'), true);
        self::assertSame(Codes::system(), $shipped, 'docs/formats/fhir-codes.json is what Codes::system() returns');
    }

    public function testFieldsOfEveryKindComeBack(): void
    {
        foreach (
            [
                true,
                false,
                0,
                -3,
                2.5,
                '',
                'words',
                [],
                [1, 2],
                [[]],
                ['a' => 1, 'b' => ['c' => '', 'd' => [['e' => 1.5], ['e' => false]]]],
            ]
            as $value
        ) {
            $written = json_decode((string) json_encode(Fields::write('x', $value)), true);
            self::assertIsArray($written);
            self::assertSame($value, Fields::read($written, ''));
        }
    }

    public function testWhatIsNoBundleOfOursIsRefused(): void
    {
        $bundle = self::json(BundleWriter::write(Support::played(2, 10)->file, Support::catalogue()));
        $cases = [
            '{"resourceType":"Patient"}' => '/resourceType',
            '{"resourceType":"Bundle","entry":[{}]}' => '/entry/0/resource',
            '{"resourceType":"Bundle","entry":[]}' => '/entry',
            str_replace(
                '"valueString":"Europe/Lisbon"',
                '"valueDate":"2026-01-01"',
                $bundle,
            ) => '/entry/5/resource/extension/0',
            str_replace('"code":"patellar_tendon"', '"code":"tail"', $bundle) => '/case/structure',
            '{"resourceType":"Bundle","entry":[' . str_repeat('{"resource":{}},', 150_000) . '{}]}' => '',
        ];
        foreach ($cases as $text => $path) {
            try {
                BundleReader::read((string) $text);
                self::fail('taken: ' . substr((string) $text, 0, 80));
            } catch (InvalidInput $refused) {
                self::assertSame($path, $refused->faults[0]->path);
            }
        }
        self::assertTrue(BundleReader::looksLikeOne($bundle));
        self::assertFalse(BundleReader::looksLikeOne('{"format":"rung-case/1"}'));
    }

    private static function at(mixed $value, string|int ...$steps): mixed
    {
        foreach ($steps as $step) {
            $value = is_array($value) ? $value[$step] ?? null : null;
        }

        return $value;
    }

    /** @param array<string, mixed> $bundle */
    private static function json(array $bundle): string
    {
        return json_encode($bundle, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_SLASHES);
    }
}
