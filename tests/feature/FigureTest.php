<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Paper;
use App\Papers\PaperView;
use App\Papers\PdfMaker;
use Illuminate\Log\Events\MessageLogged;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Process;
use Rung\Core\Papers\Paper as Content;

/** How exercises are drawn: at the desk, on the phone without reception, and on paper. */
final class FigureTest extends TestCase
{
    public function testAnExerciseIsDrawnAsFarAsItsRangeGoes(): void
    {
        $own = $this->practitioner();
        $whole = $this->ask($own, 'GET', '/api/figures/squat')
            ->assertOk()
            ->assertJsonPath('angle', ['joint' => 'knee', 'low_deg' => 90, 'high_deg' => 10])
            ->assertJsonPath('holds', false);
        $short = $this->ask($own, 'GET', '/api/figures/squat?from_deg=10&to_deg=60')
            ->assertOk()
            ->assertJsonPath('angle.low_deg', 60)
            ->assertJsonPath('angle.high_deg', 10);
        self::assertNotSame($whole->json('frames'), $short->json('frames'));
        $this->ask($own, 'GET', '/api/figures/wall_sit')->assertOk()->assertJsonPath('holds', true);
        $this->ask($own, 'GET', '/api/figures/flying')->assertStatus(404);
    }

    public function testAWrongRangeNamesTheFieldAndTheRemedy(): void
    {
        $own = $this->practitioner();
        $this->ask($own, 'GET', '/api/figures/squat?to_deg=60')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['from_deg' => 'Say where the range begins']);
        $this->ask($own, 'GET', '/api/figures/squat?from_deg=0&to_deg=400')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['to_deg' => 'must be from -60 to 200°']);
        $this->ask($own, 'GET', '/api/figures/squat?from_deg=low&to_deg=60')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['from_deg' => 'must be a number of degrees']);
    }

    public function testWhoHasItAlreadyIsNotSentItAgain(): void
    {
        $own = $this->practitioner();
        $tag = (string) $this->ask($own, 'GET', '/api/figures/squat')->assertOk()->headers->get('ETag');
        $this->withHeader('If-None-Match', $tag);
        $this->ask($own, 'GET', '/api/figures/squat')->assertStatus(304);
        $this->ask($own, 'GET', '/api/figures/squat?from_deg=10&to_deg=60')->assertOk();
        $this->ask($own, 'GET', '/api/figures/box_squat')->assertOk();
    }

    public function testALadderIsGivenItsSmallPicturesInOneAnswer(): void
    {
        $own = $this->practitioner();
        $answer = $this->ask($own, 'GET', '/api/figures?of=squat,flying,wall_sit,squat')->assertOk();
        self::assertSame(['squat', 'wall_sit'], array_keys((array) $answer->json('figures')));
        $squat = (array) $this->ask($own, 'GET', '/api/figures/squat')->json('frames');
        // The squat is shown at its deepest, the wall sit where it is held.
        self::assertSame([$squat[0]], $answer->json('figures.squat.frames'));
        self::assertSame(
            [((array) $this->ask($own, 'GET', '/api/figures/wall_sit')->json('frames'))[8]],
            $answer->json('figures.wall_sit.frames'),
        );
        $this->ask($own, 'GET', '/api/figures')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['of' => 'Name the exercises']);
        $this->withHeader('If-None-Match', (string) $answer->headers->get('ETag'));
        $this->ask($own, 'GET', '/api/figures?of=squat,flying,wall_sit')->assertStatus(304);
        $this->ask($own, 'GET', '/api/figures?of=squat')->assertOk();
    }

    public function testAnExerciseOfThePracticeIsDrawnAsTheOneItWasCopiedFrom(): void
    {
        $own = $this->practitioner();
        $this->ask($own, 'GET', '/api/figures/our_squat')->assertStatus(404);
        $this->ask($own, 'POST', '/api/library/items', ['kind' => 'exercise', 'key' => 'squat'])->assertStatus(201);
        $this->ask($own, 'GET', '/api/figures/our_squat')->assertOk()->assertJsonPath('exercise', 'squat');
    }

    public function testThePhoneIsGivenEveryFigureOfItsDaysAhead(): void
    {
        $page = $this->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today')->assertOk();
        $cases = (array) $page->json('cases');
        self::assertNotSame([], $cases);
        $asked = 0;
        foreach ($cases as $case) {
            self::assertIsArray($case);
            $figures = (array) $case['figures'];
            foreach (
                array_merge(
                    ...array_map(
                        static fn(mixed $session): array => is_array($session) ? (array) $session['exercises'] : [],
                        (array) $case['sessions'],
                    ),
                )
                as $exercise
            ) {
                self::assertIsArray($exercise);
                self::assertArrayHasKey(self::text($exercise['figure']), $figures);
                foreach ((array) $exercise['relief'] as $relief) {
                    if (is_array($relief) && is_array($relief['exercise'])) {
                        self::assertArrayHasKey(self::text($relief['exercise']['figure']), $figures);
                    }
                }
                $asked++;
            }
            // Each once, however many sessions ask for it; drawn to the range that is prescribed.
            self::assertLessThan($asked, count(array_unique(array_keys($figures))) - 1);
        }
        $press = collect((array) $page->json('cases.0.figures'))->first(
            static fn(mixed $value, string $key): bool => preg_match('/^leg_press_one 10–\d+$/', $key) === 1,
        );
        self::assertSame(['knee', 10], [data_get($press, 'angle.joint'), data_get($press, 'angle.high_deg')]);
        self::assertLessThan(
            90,
            data_get($press, 'angle.low_deg'),
            'as far as she has come, not all that could be drawn',
        );
    }

    public function testTheSheetShowsBothEndsOfEachExercise(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $id = self::text(
            $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/papers", ['kind' => 'sheet'])
                ->assertStatus(201)
                ->json('id'),
        );
        $paper = Paper::query()->findOrFail($id);
        $html = PaperView::html($paper, $paper->current()->paper());
        $exercises = substr_count($html, 'class="exercise"');
        self::assertGreaterThan(0, $exercises);
        self::assertSame($exercises, substr_count($html, ': where it begins"'));
        preg_match_all('/src="data:image\/svg\+xml;base64,([^"]+)"/', $html, $found);
        self::assertCount(2 * $exercises, $found[1]);
        foreach ($found[1] as $picture) {
            $svg = (string) base64_decode($picture, true);
            self::assertStringStartsWith('<svg ', $svg);
            self::assertStringContainsString('<path ', $svg);
            // The left side is treated: drawn with the left side working.
            self::assertStringContainsString('scale(-1 1)', $svg);
        }
        // The range of the prescription, not all that could be drawn.
        self::assertMatchesRegularExpression(
            '/>10–[678]0°</',
            implode('', array_map(static fn(string $text): string => (string) base64_decode($text, true), $found[1])),
        );
        self::assertStringStartsWith('%PDF', app(PdfMaker::class)->make($html));
    }

    public function testAPaperIsMadeWithoutItsPicturesWhereTheyCannotBeDrawn(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $id = self::text(
            $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/papers", ['kind' => 'sheet'])
                ->assertStatus(201)
                ->json('id'),
        );
        Cache::flush();
        Process::fake(['*' => Process::result(exitCode: 1, errorOutput: 'no such program')]);
        $said = [];
        Log::listen(static function (MessageLogged $answer) use (&$said): void {
            $said[] = $answer->message;
        });
        $paper = Paper::query()->findOrFail($id);
        $html = PaperView::html($paper, $paper->current()->paper());
        self::assertStringContainsString('class="exercise"', $html);
        self::assertStringNotContainsString('data:image/svg', $html);
        self::assertSame(['The figures of a paper could not be drawn'], $said);
    }

    public function testAPaperFromBeforeThereWereFiguresIsShownAsItWas(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $id = self::text(
            $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/papers", ['kind' => 'sheet'])
                ->assertStatus(201)
                ->json('id'),
        );
        $paper = Paper::query()->findOrFail($id);
        $content = json_decode($paper->current()->content, true);
        self::assertIsArray($content);
        self::assertIsArray($content['blocks']);
        $content['blocks'] = array_map(static function (mixed $block): mixed {
            if (is_array($block) && $block['kind'] === 'exercises') {
                $block['rows'] = array_map(
                    static fn(mixed $row): array => [
                        'cells' => array_slice(is_array($row) ? (array) $row['cells'] : [], 0, 6),
                    ],
                    (array) $block['rows'],
                );
            }

            return $block;
        }, $content['blocks']);
        $old = Content::fromJson(json_encode($content, JSON_THROW_ON_ERROR));
        $html = PaperView::html($paper, $old);
        self::assertStringContainsString('class="exercise"', $html);
        self::assertStringNotContainsString('where it begins', $html);
    }
}
