<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Record\Session;
use Rung\Core\Response\Log;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Response\Verdict;

/** The recent bouts of the sessions that count for a decision (docs/rules.md, "What to do next"). */
final readonly class Bouts
{
    private const CARRIED_OVER_HOURS = 72;

    private const RECENT_HOURS = 14 * 24;

    private const SIX_WEEKS_HOURS = 42 * 24;

    /**
     * @param list<Bout> $recent oldest first
     * @param list<Bout> $ofSixWeeks oldest first
     * @param list<SessionResponse> $counting
     */
    private function __construct(public array $recent, private array $ofSixWeeks, private array $counting) {}

    /** @param list<SessionResponse> $responses of the log, in order of start */
    public static function fromLog(Log $log, array $responses): self
    {
        $counting = array_values(
            array_filter(
                $responses,
                static fn(SessionResponse $r): bool => $log->inStage($r->session) ||
                    $r->session->started_at->withinHoursBefore($log->at, self::CARRIED_OVER_HOURS),
            ),
        );
        $groups = [];
        $latest = [];
        foreach ($counting as $i => $response) {
            if ($response->verdict->isJudged()) {
                $key = $response->answer === null ? 'alone:' . $i : 'answer:' . $response->answer->id;
                $groups[$key][] = $response;
                $latest[$key] = $i;
            }
        }
        asort($latest);
        $bouts = array_map(static fn(string $key): Bout => Bout::fromResponses($groups[$key]), array_keys($latest));

        $within = static fn(int $hours): array => array_values(
            array_filter(
                $bouts,
                static fn(Bout $bout): bool => $bout->latestStart()->withinHoursBefore($log->at, $hours),
            ),
        );

        return new self($within(self::RECENT_HOURS), $within(self::SIX_WEEKS_HOURS), $counting);
    }

    public function last(): ?Bout
    {
        return $this->recent === [] ? null : $this->recent[count($this->recent) - 1];
    }

    public function beforeLast(): ?Bout
    {
        return $this->recent[count($this->recent) - 2] ?? null;
    }

    /** How many sessions that count went unanswered and started after the last bout. */
    public function unansweredSinceLast(): int
    {
        $last = $this->last();

        return count(
            array_filter(
                $this->counting,
                static fn(SessionResponse $r): bool => $r->verdict === Verdict::Unanswered &&
                    ($last === null || $r->session->started_at->after($last->latestStart())),
            ),
        );
    }

    /**
     * The length of the unbroken run of settled recent bouts, newest backwards, whose sessions are all in the stage and
     * all started after the last change of dose: what allows the next step.
     */
    public function settledRun(Log $log): int
    {
        return self::run($this->recent, self::settledSinceChange($log));
    }

    /** The same run, as far back as six weeks. */
    public function settledRunOfSixWeeks(Log $log): int
    {
        return self::run($this->ofSixWeeks, self::settledSinceChange($log));
    }

    /** The length of the unbroken run of recent bouts, newest backwards, that were well tolerated. */
    public function wellToleratedRun(): int
    {
        return self::run($this->recent, static fn(Bout $bout): bool => $bout->isWellTolerated());
    }

    /** @return list<Session> of the newest so many recent bouts, in order */
    public function sessionsOfNewest(int $count): array
    {
        return array_merge(
            [],
            ...array_map(static fn(Bout $bout): array => $bout->sessions(), array_slice($this->recent, -$count)),
        );
    }

    /** @return callable(Bout): bool */
    private static function settledSinceChange(Log $log): callable
    {
        $changes = $log->doseChanges;
        $lastChange = $changes === [] ? null : $changes[count($changes) - 1]->at;
        $counts = static fn(Session $session): bool => $log->inStage($session) &&
            ($lastChange === null || $session->started_at->after($lastChange));

        return static fn(
            Bout $bout,
        ): bool => $bout->verdict === Verdict::Settled && array_filter($bout->sessions(), $counts) === $bout->sessions();
    }

    /**
     * The length of the unbroken run of bouts, newest backwards, that pass.
     *
     * @param list<Bout> $bouts
     * @param callable(Bout): bool $passes
     */
    private static function run(array $bouts, callable $passes): int
    {
        $length = 0;
        foreach (array_reverse($bouts) as $bout) {
            if (!$passes($bout)) {
                break;
            }
            $length++;
        }

        return $length;
    }
}
