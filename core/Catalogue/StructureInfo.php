<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\CaseFile\Structure;
use Rung\Core\Input\ObjectNode;

/** What is known of a structure: what to avoid, what to relieve, how it is tested. */
final readonly class StructureInfo
{
    private function __construct(
        public Structure $structure,
        public string $title,
        public ?string $avoidWhileIrritable,
        public string $loadRelief,
        public string $testTitle,
        public string $testInstruction,
    ) {}

    public static function read(ObjectNode $node): self
    {
        [$title, $instruction] = $node->child(
            'provocation_test',
            static fn(ObjectNode $test): array => [$test->text('title'), $test->text('instruction')],
        );

        return new self(
            $node->choice('key', Structure::class),
            $node->text('title'),
            $node->textOrNull('avoid_while_irritable'),
            $node->text('load_relief'),
            $title,
            $instruction,
        );
    }
}
