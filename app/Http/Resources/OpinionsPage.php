<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Support\CatalogueShelf;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\Catalogue\School;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\SecondOpinions;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Snapshot\ActionGrounds;
use Rung\Core\Snapshot\ProposedStep;
use Rung\Core\Time\TimeWords;
use Rung\Core\Words\OpinionWords;
use Rung\Core\Words\ProposalWords;
use Rung\Core\Words\ResponseWords;

/** What every school would say of the same log, where they part and why. */
final class OpinionsPage
{
    /** Sessions on which the schools part, newest first. */
    private const SHOWN = 8;

    public function __construct(private readonly CatalogueShelf $shelf) {}

    /** @return array<string, mixed> */
    public function present(CareCase $case, Evaluation $evaluation): array
    {
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $own = $case->response_rule->name;
        $opinions = SecondOpinions::compare($evaluation->log->file, $evaluation->log->at, $catalogue->schools);
        $schools = [];
        $reasons = [];
        foreach ($opinions->each() as ['school' => $key, 'evaluation' => $said]) {
            $school = $catalogue->schools[$key];
            $schools[] = [
                'key' => $key,
                'title' => $school->title,
                'view' => $school->view,
                'own' => $key === $own,
                'action' => $said->action->kind->value,
                'headline' => ProposalWords::headline(
                    ProposedStep::fromStep($said, Acceptance::accept($plan, $said, $catalogue), $catalogue),
                ),
                'because' => ProposalWords::because(ActionGrounds::fromEvaluation($said, $plan)),
                'limits' => self::limits($school),
            ];
            foreach ($said->sessions as $response) {
                $reasons[$response->session->id][$key] = $response;
            }
        }

        return [
            'words' => OpinionWords::agreement($opinions),
            'schools' => $schools,
            'parts' => $this->parts($opinions, $reasons, $catalogue->schools, $evaluation),
        ];
    }

    /**
     * @param array<string, array<string, SessionResponse>> $responses by session and school
     * @param array<string, School> $schools
     *
     * @return list<array<string, mixed>>
     */
    private function parts(SecondOpinions $opinions, array $responses, array $schools, Evaluation $evaluation): array
    {
        $parts = [];
        foreach (
            array_slice(array_reverse($opinions->toArray()['parts']), 0, self::SHOWN)
            as ['session' => $id, 'verdicts' => $verdicts]
        ) {
            $any = reset($responses[$id]);
            $said = [];
            foreach ($verdicts as $verdict => $keys) {
                $first = $responses[$id][$keys[0]];
                $said[] = [
                    'verdict' => (string) $verdict,
                    'schools' => array_map(static fn(string $key): string => $schools[$key]->title, $keys),
                    'why' => implode(', ', ResponseWords::reasons($first->figures())),
                ];
            }
            $parts[] = [
                'session' => $id,
                'on' => $any === false ? '' : $evaluation->log->dayOf($any->session)->toIso(),
                'words' => $any === false ? '' : ResponseWords::response($any->figures()),
                'said' => $said,
            ];
        }

        return $parts;
    }

    private static function limits(School $school): string
    {
        $rule = $school->rule;

        return "pain to $rule->during_max, next morning to $rule->next_day_max, too much from a rise of $rule->rise_over_from, back within " .
            TimeWords::minutes($rule->settle_within_min) .
            ", grows after $rule->progress_after";
    }
}
