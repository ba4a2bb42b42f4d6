<?php

declare(strict_types=1);

namespace Tests\Core;

use Opis\JsonSchema\Validator;
use PHPUnit\Framework\TestCase;
use Rung\Core\CaseFile\Structure;
use Rung\Core\Plan\PlanStage;

/** The clinical content: every document has its form, and nothing names what is not there. */
final class CatalogueTest extends TestCase
{
    private const FOLDER = __DIR__ . '/../../catalogue';

    public function testEveryDocumentHasItsForm(): void
    {
        $schema = (string) file_get_contents(self::FOLDER . '/schema/catalogue.schema.json');
        $documents = [...(glob(self::FOLDER . '/*.json') ?: []), ...(glob(self::FOLDER . '/{exercises,programmes}/*.json', GLOB_BRACE) ?: [])];
        self::assertGreaterThanOrEqual(4, count($documents));
        foreach ($documents as $path) {
            $document = json_decode((string) file_get_contents($path));
            self::assertTrue((new Validator())->validate($document, $schema)->isValid(), $path);
        }
    }

    public function testNothingNamesWhatIsNotThere(): void
    {
        $catalogue = Support::catalogue();
        foreach ($catalogue->ladders as $ladder) {
            self::assertSame([], array_diff($ladder->rungs, array_keys($catalogue->exercises)), $ladder->key);
            self::assertSame(array_unique($ladder->rungs), $ladder->rungs, $ladder->key);
        }
        foreach ($catalogue->exercises as $exercise) {
            self::assertNotNull($catalogue->ladderOf($exercise->key), $exercise->key);
            self::assertTrue($exercise->stand_in === null || isset($catalogue->exercises[$exercise->stand_in]), $exercise->key);
            self::assertTrue($exercise->equipment === [] || $exercise->stand_in !== null || $exercise->equipment === ['box'], "$exercise->key needs a stand-in");
        }
        foreach ($catalogue->programmes as $programme) {
            self::assertArrayHasKey($programme->rule, $catalogue->schools);
            foreach ($programme->structures as $structure) {
                self::assertNotNull($catalogue->structure($structure), $structure->value);
            }
            foreach ($programme->plan->stages as $stage) {
                self::stageIsWhole($stage, $programme->plan->stages);
            }
        }
        self::assertNull($catalogue->structure(Structure::Adductor));
    }

    public function testALadderIsClimbedRungByRung(): void
    {
        $catalogue = Support::catalogue();
        self::assertSame('leg_extension_hold', $catalogue->neighbour('straight_leg_lift', 1)?->key);
        self::assertSame('straight_leg_lift', $catalogue->neighbour('leg_extension_hold', -1)?->key);
        self::assertNull($catalogue->neighbour('straight_leg_lift', -1));
        self::assertNull($catalogue->neighbour('drop_jump', 1));
    }

    public function testTheCaseFileSchemaAndTheReaderAgree(): void
    {
        $schema = (string) file_get_contents(__DIR__ . '/../../docs/formats/case-file.schema.json');
        $isValid = static fn(string $json): bool => (new Validator())->validate(json_decode($json), $schema)->isValid();
        foreach (glob(__DIR__ . '/examples/*.case.json') ?: [] as $path) {
            self::assertTrue($isValid((string) file_get_contents($path)), $path);
        }
        self::assertTrue($isValid((string) file_get_contents(__DIR__ . '/../../docs/formats/case-file.example.json')));
        // What a schema can say, it refuses as the reader does.
        $text = (string) file_get_contents(__DIR__ . '/examples/evaluate-002.case.json');
        foreach (['"pain": 2,' => '"pain": 11,', '"sets": 2,' => '"sets": 21,', '"provocation": 6' => '"score": 6', '"type": "sign_off"' => '"type": "wish"'] as $sound => $spoilt) {
            $bad = str_replace($sound, $spoilt, $text);
            self::assertNotSame($text, $bad);
            self::assertFalse($isValid($bad), $spoilt);
            self::assertSame(2, Support::rung(['validate', '-'], $bad)[0], $spoilt);
        }
    }

    /** @param list<PlanStage> $stages */
    private static function stageIsWhole(PlanStage $stage, array $stages): void
    {
        $all = array_merge(...array_map(static fn(PlanStage $one): array => array_column($one->stage->prescriptions, 'key'), $stages));
        foreach ($stage->stage->gate as $criterion) {
            self::assertTrue($criterion->prescription === null || in_array($criterion->prescription, $all, true));
        }
        foreach ($stage->stage->prescriptions as $prescription) {
            self::assertArrayHasKey($prescription->exercise, Support::catalogue()->exercises);
        }
        self::assertSame([], array_diff($stage->rhythm->cycle ?? [], array_column($stage->slots, 'key')));
    }
}
