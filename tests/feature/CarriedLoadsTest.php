<?php

declare(strict_types=1);

namespace Tests\Feature;

/** Moving a case into another stage takes along what was lifted, and can be taken back. */
final class CarriedLoadsTest extends TestCase
{
    public function testAMoveByHandTellsTheLoadsThatItTakesAlong(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $own = $this->practitioner();
        $before = $case->plan();
        $moved = $this->ask($own, 'POST', "/api/cases/$case->id/decisions", ['kind' => 'stage', 'stage' => 'springs', 'reason' => 'Lands well', 'revision' => $case->refresh()->revision])->assertStatus(201);
        $after = $case->refresh()->plan()->stage('springs')?->stage->prescription('spring_press')?->dose->load_kg;
        self::assertNull($before->stage('springs')?->stage->prescription('spring_press')?->dose->load_kg, 'left to be found');
        self::assertGreaterThan(0, $after);
        $words = $moved->json('words');
        self::assertIsString($words);
        self::assertStringStartsWith('Moved by hand to Springs, with what was lifted: ', $words);
        self::assertStringContainsString("Leg press, one leg: load none → $after kg", $words);
        // The stage that is left keeps its own.
        self::assertEquals($before->stage('slow'), $case->plan()->stage('slow'));

        $id = $moved->json('id');
        self::assertIsString($id);
        $this->ask($own, 'DELETE', "/api/cases/$case->id/decisions/$id")->assertStatus(201);
        self::assertNull($case->refresh()->plan()->stage('springs')?->stage->prescription('spring_press')?->dose->load_kg);
    }
}
