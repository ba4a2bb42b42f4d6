<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Response\ResponseRule;

/** A response rule with whose view it is and what speaks for and against it. */
final readonly class School
{
    private function __construct(
        public string $key,
        public string $title,
        public string $view,
        public string $forAndAgainst,
        public ResponseRule $rule,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $key = $node->key('key');
        $rule = $node->child('limits', ResponseRule::read(...));

        return new self(
            $key,
            $node->text('title'),
            $node->text('view'),
            $node->text('for_and_against'),
            $rule->named($key),
        );
    }
}
