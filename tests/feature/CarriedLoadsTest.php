<?php

declare(strict_types=1);

namespace Tests\Feature;

use Rung\Core\Words\DoseWords;

/** Moving a case into another stage takes along what was lifted, and can be taken back. */
final class CarriedLoadsTest extends TestCase
{
    public function testAMoveByHandTellsTheLoadsThatItTakesAlong(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $own = $this->practitioner();
        $before = $case->plan();
        $moved = $this->ask($own, 'POST', "/api/cases/$case->id/decisions", [
            'kind' => 'stage',
            'stage' => 'springs',
            'reason' => 'Lands well',
            'revision' => $case->refresh()->revision,
        ])->assertStatus(201);
        $after = $case->refresh()->plan()->stage('springs')?->stage->prescription('spring_press')?->dose->load_kg;
        self::assertNull(
            $before->stage('springs')?->stage->prescription('spring_press')?->dose->load_kg,
            'left to be found',
        );
        self::assertGreaterThan(0, $after);
        $words = $moved->json('words');
        self::assertIsString($words);
        self::assertStringStartsWith('Moved by hand to Springs, with what was lifted: ', $words);
        self::assertStringContainsString("Leg press, one leg: $after kg, as lifted", $words);
        // The stage that is left keeps its own.
        self::assertEquals($before->stage('slow'), $case->plan()->stage('slow'));

        $id = $moved->json('id');
        self::assertIsString($id);
        $this->ask($own, 'DELETE', "/api/cases/$case->id/decisions/$id")->assertStatus(201);
        self::assertNull(
            $case->refresh()->plan()->stage('springs')?->stage->prescription('spring_press')?->dose->load_kg,
        );
    }

    public function testEveryDoseOfAnotherStageIsShownBeforeItIsEntered(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $own = $this->practitioner();
        $revision = $case->revision;
        $shown = $this->ask($own, 'GET', "/api/cases/$case->id/stages/springs")->assertOk();
        self::assertSame(['Springs', 'springs'], [$shown->json('title'), $shown->json('stage')]);
        $doses = collect((array) $shown->json('doses'))->keyBy('title');
        $press = $doses->get('Leg press, one leg');
        self::assertIsArray($press);
        self::assertFalse($press['to_find'], 'what was lifted is carried along');
        $jump = $doses->first(static fn(mixed $dose): bool => is_array($dose) && $dose['before'] === null);
        self::assertIsArray($jump, 'a new exercise is marked as new');
        self::assertContains('Leg extension, one leg', (array) $shown->json('left'));
        self::assertSame($revision, $case->refresh()->revision, 'nothing is put in force');
        $this->ask($own, 'GET', "/api/cases/$case->id/stages/nowhere")->assertStatus(404);

        // What was shown is what is put in force.
        $this->ask($own, 'POST', "/api/cases/$case->id/decisions", [
            'kind' => 'stage',
            'stage' => 'springs',
            'reason' => 'Lands well',
            'revision' => $revision,
        ])->assertStatus(201);
        $after = $case->refresh()->plan()->stage('springs')?->stage->prescription('spring_press');
        self::assertNotNull($after);
        self::assertSame(DoseWords::describe($after, true), $press['after']);
    }
}
