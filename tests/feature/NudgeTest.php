<?php

declare(strict_types=1);

namespace Tests\Feature;

use Carbon\CarbonImmutable;

/** The draft of a nudge says what happened, and nothing else. */
final class NudgeTest extends TestCase
{
    public function testTheDraftFitsWhatHappened(): void
    {
        $case = $this->caseOf('Edda Moorgate');
        $words = fn(): string => self::text(
            $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id")->json('nudge_words'),
        );
        $latest = $case
            ->plannedSessions()
            ->where('on', '<', '2026-04-14')
            ->where('withdrawn', false)
            ->reorder('on', 'desc')
            ->limit(2)
            ->pluck('id')
            ->all();
        self::assertCount(2, $latest);
        $touch = static fn() => $case->forceFill(['revision' => $case->refresh()->revision + 1])->save();

        $case
            ->trainingSessions()
            ->firstOrFail()
            ->replicate(['id'])
            ->forceFill(['planned_id' => $latest[0], 'created_at' => CarbonImmutable::now()])
            ->save();
        $touch();
        self::assertStringContainsString('Your mornings and sessions reach us', $words());

        $case
            ->trainingSessions()
            ->whereIn('planned_id', $latest)
            ->update(['planned_id' => null]);
        $touch();
        self::assertStringContainsString('The last two sessions do not', $words());

        $case
            ->checkIns()
            ->where('at', '>', '2026-04-10T12:00:00Z')
            ->update(['superseded' => true]);
        $touch();
        $last = self::text(
            $case
                ->checkIns()
                ->whereNotNull('provocation')
                ->reorder('at', 'desc')
                ->firstOrFail()
                ->at->setTimezone('Europe/Lisbon')
                ->format('j'),
        );
        self::assertStringContainsString(
            'no morning answer has reached us for ' . (14 - (int) $last) . ' days',
            $words(),
        );

        $case->checkIns()->update(['superseded' => true]);
        $touch();
        self::assertStringContainsString('no morning answer has reached us yet', $words());
    }
}
