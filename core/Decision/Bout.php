<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Record\Session;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Response\Verdict;
use Rung\Core\Time\Moment;

/** Judged sessions that share their answering check-in, with the worst of their verdicts. */
final readonly class Bout
{
    /** @param non-empty-list<SessionResponse> $responses in order of start */
    public function __construct(public array $responses, public Verdict $verdict) {}

    /** @param non-empty-list<SessionResponse> $responses in order of start */
    public static function fromResponses(array $responses): self
    {
        $worst = Verdict::Settled;
        foreach ($responses as $response) {
            $verdict = self::counted($response->verdict);
            if ($verdict->severity() > $worst->severity()) {
                $worst = $verdict;
            }
        }

        return new self($responses, $worst);
    }

    public function latestStart(): Moment
    {
        return $this->responses[count($this->responses) - 1]->session->started_at;
    }

    /** The latest end of the sessions that have the bout's verdict. */
    public function latestEnd(): Moment
    {
        $latest = null;
        foreach ($this->responses as $response) {
            $end = $response->session->ended_at;
            if (self::counted($response->verdict) === $this->verdict && ($latest === null || $end->after($latest))) {
                $latest = $end;
            }
        }

        return $latest ?? $this->latestStart();
    }

    /** @return list<Session> */
    public function sessions(): array
    {
        return array_map(static fn(SessionResponse $response): Session => $response->session, $this->responses);
    }

    public function isWellTolerated(): bool
    {
        return $this->verdict->isWellTolerated();
    }

    /** An uncleared stop is caught before bouts are looked at; a cleared one counts as over. */
    private static function counted(Verdict $verdict): Verdict
    {
        return $verdict === Verdict::Stop ? Verdict::Over : $verdict;
    }
}
