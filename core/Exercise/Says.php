<?php

declare(strict_types=1);

namespace Rung\Core\Exercise;

use Rung\Core\Input\ObjectNode;

/** What the pacer says at each phase of a repetition, where the usual words do not fit the exercise. */
final readonly class Says
{
    /** Letters that fit on the phone, between two beats. */
    private const LONGEST = 16;

    private function __construct(
        public ?string $lift = null,
        public ?string $hold = null,
        public ?string $lower = null,
        public ?string $pause = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $says = new self(
            $node->textOrNull('lift'),
            $node->textOrNull('hold'),
            $node->textOrNull('lower'),
            $node->textOrNull('pause'),
        );
        foreach ($says->toArray() as $phase => $words) {
            if ($words === '' || mb_strlen($words) > self::LONGEST) {
                $node->fault(
                    $phase,
                    'must be from 1 to ' . self::LONGEST . ' letters, so that it is read between two beats',
                );
            }
        }

        return $says;
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return array_filter(
            ['lift' => $this->lift, 'hold' => $this->hold, 'lower' => $this->lower, 'pause' => $this->pause],
            static fn(?string $words): bool => $words !== null,
        );
    }
}
