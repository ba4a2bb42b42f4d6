<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CareCase;
use PHPUnit\Framework\Attributes\DataProvider;

/** A decision is looked at before it is made, and does then what was shown. */
final class DecisionPreviewTest extends TestCase
{
    use AtTheDesk;

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function flares(): iterable
    {
        yield 'easier' => ['Edda Moorgate', ['ease' => true, 'rest_days' => 0, 'holds_only_days' => 0]];
        yield 'rest, then holds' => ['Edda Moorgate', ['ease' => false, 'rest_days' => 2, 'holds_only_days' => 7]];
        yield 'all of it' => ['Basil Thorne', ['ease' => true, 'rest_days' => 3, 'holds_only_days' => 10]];
    }

    /** @param array<string, mixed> $flare */
    #[DataProvider('flares')]
    public function testAFlareDoesWhatWasShown(string $athlete, array $flare): void
    {
        $case = $this->caseOf($athlete);
        $revision = $case->revision;
        $before = $this->doses($case);
        $shown = $this->preview($case, ['kind' => 'flare', 'flare' => $flare])
            ->assertStatus(200)
            ->json('doses');
        self::assertIsArray($shown);
        self::assertSame(
            [$revision, $before],
            [$case->refresh()->revision, $this->doses($case)],
            'looking changes nothing',
        );
        self::assertSame(array_column($before, 'words'), array_values(array_filter(array_column($shown, 'before'))));

        $this->decide($case, ['kind' => 'flare', 'flare' => $flare])->assertStatus(201);
        $after = $this->doses($case);
        self::assertSame(array_column($after, 'words'), array_column($shown, 'after'));
        self::assertSame(
            array_map(static fn(mixed $until): bool => $until !== null, array_column($after, 'rests_until')),
            array_map(static fn(mixed $rests): bool => $rests !== null, array_column($shown, 'rests')),
        );
        self::assertNotEquals($before, $after);
    }

    public function testOpeningAgainDoesWhatWasShown(): void
    {
        $case = $this->caseOf('Basil Thorne');
        $this->decide($case, ['kind' => 'close', 'ending' => 'stopped', 'reason' => 'On tour'])->assertStatus(201);
        $shown = $this->preview($case, ['kind' => 'reopen'])
            ->assertStatus(200)
            ->json('doses');
        self::assertIsArray($shown);
        self::assertNotSame(array_column($shown, 'before'), array_column($shown, 'after'));
        $this->decide($case, ['kind' => 'reopen', 'reason' => 'It hurts again'])->assertStatus(201);
        self::assertSame(array_column($this->doses($case), 'words'), array_column($shown, 'after'));
    }

    public function testAnotherSchoolJudgesAsWasShown(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $differs = 0;
        foreach ((array) $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")->json('schools') as $school) {
            self::assertIsArray($school);
            $shown = $this->preview($case, ['kind' => 'rule', 'rule' => $school['key']])
                ->assertStatus(200)
                ->assertJsonPath('doses', [])
                ->json('judged');
            self::assertIsArray($shown);
            if ($school['key'] === $case->response_rule->name) {
                self::assertSame([0, $shown['now']], [$shown['differs'], $shown['headline']]);

                continue;
            }
            $differs += $shown['differs'] > 0 || $shown['headline'] !== $shown['now'] ? 1 : 0;
            $id = self::text(
                $this->decide($case, ['kind' => 'rule', 'rule' => $school['key'], 'reason' => 'x'])
                    ->assertStatus(201)
                    ->json('id'),
            );
            $page = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id");
            self::assertSame(
                [$shown['headline'], $shown['because'], $shown['gate_open']],
                [$page->json('standing.headline'), $page->json('standing.because'), $page->json('gate.open')],
            );
            $this->ask($this->practitioner(), 'DELETE', "/api/cases/$case->id/decisions/$id")->assertStatus(201);
        }
        self::assertGreaterThan(0, $differs, 'the schools part over this case');
        $this->preview($case, ['kind' => 'rule', 'rule' => 'none'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['rule' => 'must name a response rule']);
        $this->preview($case, ['kind' => 'keep'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['kind' => 'flare, reopen or rule']);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function preview(CareCase $case, array $body): \Illuminate\Testing\TestResponse
    {
        return $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/decisions/preview", $body);
    }

    /** @return list<array<string, mixed>> of the present stage */
    private function doses(CareCase $case): array
    {
        $doses = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")->json('prescriptions');
        self::assertIsArray($doses);

        /** @var list<array<string, mixed>> */
        return array_values($doses);
    }
}
