<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\CaseFile\ResponseRule;
use Rung\Core\Input\ObjectNode;

/** A response rule with whose view it is and what speaks for and against it. */
final readonly class School
{
    /** The highest stop level that a catalogue or library may set (docs/rules.md, "The 24-hour response"). */
    public const MAX_STOP_AT = 8;

    private function __construct(
        public string $key,
        public string $title,
        public string $view,
        public string $forAndAgainst,
        public ResponseRule $rule,
        /** What the athlete reads where an exercise hurt more than its limit; null: Rung's usual words. */
        public ?string $whenOver = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $key = $node->key('key');
        $rule = $node->child('limits', static function (ObjectNode $limits): ResponseRule {
            $rule = ResponseRule::read($limits);
            if ($rule->stop_at > self::MAX_STOP_AT) {
                $limits->fault(
                    'stop_at',
                    'must be ' . self::MAX_STOP_AT . ' at most: loading stops there whatever the school',
                );
            }
            if ($rule->rise_watch_from > $rule->rise_over_from) {
                $limits->fault('rise_watch_from', 'must not be over the rise that is too much');
            }

            return $rule;
        });

        return new self(
            $key,
            $node->key('title'),
            $node->key('view'),
            $node->key('for_and_against'),
            $rule->named($key),
            $node->textOrNull('when_over'),
        );
    }

    /** @return array<string, mixed> as it stands in a document */
    public function toArray(): array
    {
        $limits = $this->rule->toArray();
        unset($limits['name']);

        return [
            'key' => $this->key,
            'title' => $this->title,
            'view' => $this->view,
            'for_and_against' => $this->forAndAgainst,
            ...$this->whenOver === null ? [] : ['when_over' => $this->whenOver],
            'limits' => $limits,
        ];
    }
}
