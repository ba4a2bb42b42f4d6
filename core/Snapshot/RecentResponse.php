<?php

declare(strict_types=1);

namespace Rung\Core\Snapshot;

use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Response\ResponseFigures;
use Rung\Core\Time\Day;

/** One session of the last days and what it was answered with. */
final readonly class RecentResponse
{
    private function __construct(public string $session, public Day $on, public ResponseFigures $figures) {}

    /** @return list<self> the sessions of the last so many days, oldest first */
    public static function all(Evaluation $evaluation, int $days): array
    {
        $recent = [];
        foreach ($evaluation->sessions as $response) {
            if ($evaluation->log->inLastDays($response->session, $days)) {
                $recent[] = new self(
                    $response->session->id,
                    $evaluation->log->dayOf($response->session),
                    $response->figures(),
                );
            }
        }

        return $recent;
    }

    public static function read(ObjectNode $node): self
    {
        return new self($node->key('session'), $node->day('on'), $node->child('figures', ResponseFigures::read(...)));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['session' => $this->session, 'on' => $this->on->toIso(), 'figures' => $this->figures->toArray()];
    }
}
