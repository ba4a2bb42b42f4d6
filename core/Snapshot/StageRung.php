<?php

declare(strict_types=1);

namespace Rung\Core\Snapshot;

use Rung\Core\Dose\Mode;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Response\Log;

/** One stage on the ladder of a case. */
final readonly class StageRung
{
    private function __construct(
        public string $key,
        public string $title,
        public Mode $mode,
        public RungState $state,
    ) {}

    /** @return list<self> the stages that apply to the athlete's goal, lowest first; the present one always */
    public static function all(Log $log): array
    {
        $state = RungState::Done;
        $rungs = [];
        foreach ($log->file->stages as $stage) {
            $isHere = $stage->key === $log->stage->key;
            $state = match (true) {
                $isHere => RungState::Current,
                $state === RungState::Current => RungState::Ahead,
                default => $state,
            };
            if ($isHere || $stage->appliesTo($log->file->athlete->goal)) {
                $rungs[] = new self($stage->key, $stage->title, $stage->mode, $state);
            }
        }

        return $rungs;
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('key'),
            $node->text('title'),
            $node->choice('mode', Mode::class),
            $node->choice('state', RungState::class),
        );
    }

    /** @return array{key: string, title: string, mode: string, state: string} */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'title' => $this->title,
            'mode' => $this->mode->value,
            'state' => $this->state->value,
        ];
    }
}
