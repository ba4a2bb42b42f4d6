<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Input\ObjectNode;

/** The rungs of a family of exercises, easier to harder. */
final readonly class Ladder
{
    /** @param list<LadderRung> $rungs */
    private function __construct(public string $key, public string $title, public array $rungs) {}

    public static function read(ObjectNode $node): self
    {
        $ladder = new self($node->key('key'), $node->key('title'), $node->each('rungs', LadderRung::read(...)));
        if (count($ladder->rungs) === 1) {
            $node->fault('rungs', 'must hold at least two rungs');
        }
        foreach ($ladder->rungs as $i => $rung) {
            if ($i > 0 && $rung->demand <= $ladder->rungs[$i - 1]->demand) {
                $node->inItem(
                    "rungs/$i/demand",
                    "must be over the {$ladder->rungs[$i - 1]->demand} of the rung below; put the rungs in order",
                );
            }
            if ($i > 0 && $rung->changes === []) {
                $node->inItem("rungs/$i/changes", 'must say what is harder than on the rung below');
            }
        }
        $node->unique('rungs', 'exercise', $ladder->exercises());

        return $ladder;
    }

    /** @return list<string> keys of exercises, easier to harder */
    public function exercises(): array
    {
        return array_column($this->rungs, 'exercise');
    }

    /** @return array<string, mixed> as it stands in a document */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'title' => $this->title,
            'rungs' => array_map(static fn(LadderRung $rung): array => $rung->toArray(), $this->rungs),
        ];
    }
}
