<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Decision\ActionKind;
use Rung\Core\Evaluation\SecondOpinions;

/** Says in a sentence whether the schools agree about a log. */
final class OpinionWords
{
    public static function agreement(SecondOpinions $opinions): string
    {
        $actions = [];
        $judged = 0;
        foreach ($opinions->each() as ['evaluation' => $said]) {
            $actions[] = $said->action->kind;
            foreach ($said->sessions as $response) {
                $judged += $response->verdict->isJudged() ? 1 : 0;
            }
        }
        $parts = count($opinions->toArray()['parts']);
        $proposed = self::proposed($actions);
        $differ = count(array_unique(array_column($actions, 'value'))) > 1;

        return match (true) {
            $judged === 0 && !$differ
                => "No session has been judged yet: the case is too young for the schools to differ. They propose the same: $proposed.",
            $judged === 0 => "No session has been judged yet; they differ in what they propose: $proposed.",
            $parts === 0 && !$differ => "They judge every session of this log alike, and propose the same: $proposed.",
            $parts === 0 => "They judge every session of this log alike, and yet propose different things: $proposed.",
            default => ($parts === 1 ? 'They differ on one session' : "They differ on $parts sessions") .
                ($differ ? ", and propose different things: $proposed." : ", and yet propose the same: $proposed."),
        };
    }

    /** @param list<ActionKind> $actions */
    private static function proposed(array $actions): string
    {
        $counts = array_count_values(array_column($actions, 'value'));
        arsort($counts);

        return implode(
            ', ',
            array_map(
                static fn(string $kind, int $n): string => "$n " . self::verb(ActionKind::from($kind)),
                array_keys($counts),
                $counts,
            ),
        );
    }

    private static function verb(ActionKind $kind): string
    {
        return match ($kind) {
            ActionKind::Stop => 'stop',
            ActionKind::Gather => 'gather answers',
            ActionKind::Repeat => 'repeat',
            ActionKind::Advance => 'advance',
            ActionKind::Finish => 'finish',
            ActionKind::StepDown => 'step back',
            ActionKind::Ease => 'ease',
            ActionKind::Progress => 'progress',
            ActionKind::AddLoad => 'add load',
        };
    }
}
