<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessLogEntry;
use App\Models\CareCase;
use App\Models\PlannedSession;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;

/** One week over all cases. Today is Tuesday 14 April 2026. */
final class PracticeWeekTest extends TestCase
{
    use AtTheDesk;

    public function testTheWeekTellsWhatStandsOnEachDayAndHowItWent(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $week = $this->week();
        self::assertSame(
            ['2026-04-14', '2026-04-13', '2026-04-19'],
            [$week['today'] ?? null, $week['from'] ?? null, $week['until'] ?? null],
        );
        $line = $this->line($week, $case);
        $done = $case->trainingSessions()->whereNotNull('planned_id')->pluck('planned_id')->all();
        $stands = PlannedSession::query()
            ->where('case_id', $case->id)
            ->where('withdrawn', false)
            ->whereBetween('on', ['2026-04-13', '2026-04-19'])
            ->orderBy('on')
            ->orderBy('slot')
            ->orderBy('number')
            ->get()
            ->map(
                static fn(PlannedSession $planned): array => [
                    $planned->on,
                    in_array($planned->id, $done, true) ? 'done' : ($planned->on < '2026-04-14' ? 'missed' : 'planned'),
                ],
            )
            ->all();
        $counted = [];
        foreach ((array) data_get($line, 'days') as $day) {
            foreach ((array) data_get($day, 'sessions') as $session) {
                $counted[] = [data_get($day, 'on'), data_get($session, 'state')];
                self::assertContains(
                    data_get($session, 'title'),
                    ['Holds between', 'Slow strength', 'Holds', 'Hip and calf work'],
                    'by its title, not its key',
                );
            }
        }
        self::assertSame($stands, $counted);
        self::assertTrue(
            AccessLogEntry::query()
                ->where('what', 'looked at the week')
                ->whereJsonContains('cases', $case->id)
                ->exists(),
        );
    }

    public function testWhatIsDueIsCountedWithItsCases(): void
    {
        $juno = $this->caseOf('Juno Tamsin');
        $piet = $this->caseOf('Piet Olander');
        $edda = $this->caseOf('Edda Moorgate');
        CareCase::query()->update(['review_on' => null]);
        $juno->forceFill(['review_on' => '2026-04-10'])->save();
        $piet
            ->forceFill(['review_on' => '2026-04-19', 'events' => ['2026-04-18'], 'blocked' => ['2026-04-16']])
            ->save();
        PlannedSession::query()
            ->where('case_id', $edda->id)
            ->where('on', '>', '2026-04-17')
            ->update(['withdrawn' => true]);
        $week = $this->week();
        $counts = array_column((array) ($week['counts'] ?? []), 'cases', 'key');
        self::assertSame(
            [[$juno->id], [$piet->id], [$edda->id]],
            [$counts['late'] ?? null, $counts['review'] ?? null, $counts['unplanned'] ?? null],
        );
        self::assertContains($piet->id, (array) ($counts['shows'] ?? []));
        self::assertSame('2026-04-17', data_get($this->line($week, $edda), 'planned_until'));
        $day = static fn(string $on): mixed => collect(
            (array) data_get(self::lineOf($week, $piet), 'days'),
        )->firstWhere('on', $on);
        self::assertSame(
            [true, false],
            [data_get($day('2026-04-18'), 'event'), data_get($day('2026-04-18'), 'blocked')],
        );
        self::assertTrue(data_get($day('2026-04-16'), 'blocked'));

        $next = $this->week('?week=1');
        self::assertSame('2026-04-20', $next['from'] ?? null);
        self::assertSame(
            '2026-04-19',
            data_get($this->line($next, $piet), 'review_on'),
            'what was due before and is not done is due',
        );
    }

    public function testUnderAStopNothingIsAskedFor(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        self::assertNotSame([], data_get($this->line($this->week(), $case), 'days.3.sessions'));
        $this->ask($this->athlete('Juno Tamsin'), 'PUT', '/api/today/check-ins/' . Str::uuid7(), [
            'at' => '2026-04-14T07:30:00+01:00',
            'provocation' => 9,
            'signs' => ['swelling'],
        ])->assertStatus(201);
        $line = $this->line($this->week(), $case);
        self::assertTrue(data_get($line, 'stopped'));
        foreach (range(1, 6) as $day) {
            self::assertSame([], data_get($line, "days.$day.sessions"));
        }
    }

    public function testAFlareAtTheStopLevelStopsTheWeekUntilItIsAnswered(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $tell = fn(int $pain): mixed => $this->ask(
            $this->athlete('Juno Tamsin'),
            'PUT',
            '/api/today/messages/' . Str::uuid7(),
            ['kind' => 'flare', 'words' => 'Since this morning', 'pain' => $pain],
        )->assertStatus(201);
        $tell(5);
        self::assertFalse(data_get($this->line($this->week(), $case), 'stopped'));
        $tell(9);
        self::assertTrue(data_get($this->line($this->week(), $case), 'stopped'));
    }

    public function testAPractitionersWeekHasTheirCasesAlone(): void
    {
        $own = $this->practitioner();
        $all = (array) ($this->week()['cases'] ?? []);
        $mine = (array) ($this->week("?practitioner=$own->id")['cases'] ?? []);
        $expected = CareCase::query()->where('practitioner_id', $own->id)->whereNull('closed_on')->pluck('id')->all();
        self::assertEqualsCanonicalizing($expected, array_column($mine, 'id'));
        self::assertGreaterThanOrEqual(count($mine), count($all));
        self::assertSame([], $this->week('?practitioner=nobody')['cases'] ?? null);
    }

    public function testTheWorkCalendarTellsReviewsAndShowsByInitials(): void
    {
        $own = $this->practitioner();
        CareCase::query()->update(['events' => [], 'review_on' => null]);
        $this->caseOf('Juno Tamsin')
            ->forceFill(['review_on' => '2026-04-10', 'events' => ['2026-04-01', '2026-04-18', '2027-04-18']])
            ->save();
        $path = self::text($this->ask($own, 'POST', '/api/week/calendar')->assertStatus(201)->json('address'));
        Auth::forgetGuards();
        $text = (string) $this->get($path)->assertOk()->getContent();
        self::assertSame(2, substr_count($text, 'BEGIN:VEVENT'), 'what is over and what is far away is left out');
        self::assertStringContainsString("SUMMARY:Review: J. T.\r\n", $text);
        self::assertMatchesRegularExpression(
            '/SUMMARY:Show: J\. T\.\r\n(?:(?!END:VEVENT)[\s\S])*DTSTART;VALUE=DATE:20260418/',
            $text,
        );
        self::assertStringContainsString('DTSTART;VALUE=DATE:20260414', $text, 'a review that is late stands on today');
        self::assertDoesNotMatchRegularExpression('/tendon|pain|Tamsin|Juno/i', $text);
        self::assertTrue(
            AccessLogEntry::query()->where('what', 'read the calendar')->where('user_id', $own->id)->exists(),
        );
        $this->ask($own, 'POST', '/api/week/calendar')->assertStatus(201);
        $this->get($path)->assertNotFound();
    }

    /** @return array<mixed> */
    private function week(string $query = ''): array
    {
        return (array) $this->ask($this->practitioner(), 'GET', "/api/week$query")
            ->assertOk()
            ->json();
    }

    /** @param array<mixed> $week */
    private function line(array $week, CareCase $case): mixed
    {
        return self::lineOf($week, $case) ?? self::fail('the case is not there');
    }

    /** @param array<mixed> $week */
    private static function lineOf(array $week, CareCase $case): mixed
    {
        return collect((array) ($week['cases'] ?? []))->firstWhere('id', $case->id);
    }
}
