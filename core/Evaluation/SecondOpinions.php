<?php

declare(strict_types=1);

namespace Rung\Core\Evaluation;

use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Catalogue\School;
use Rung\Core\Time\Moment;

/** What every school would say about the same log, and where they part. */
final readonly class SecondOpinions
{
    /** @param list<array{school: string, evaluation: Evaluation}> $opinions */
    private function __construct(private array $opinions) {}

    /**
     * @param array<string, School> $schools
     *
     * @throws \Rung\Core\Input\InvalidInput at /stage_history where the moment lies before the first stage
     */
    public static function compare(CaseFile $file, Moment $at, array $schools): self
    {
        $opinions = [];
        foreach ($schools as $key => $school) {
            $opinions[] = ['school' => $key, 'evaluation' => Evaluator::evaluate($file->underRule($school->rule), $at)];
        }

        return new self($opinions);
    }

    /** @return list<array{school: string, evaluation: Evaluation}> in the order of the schools */
    public function each(): array
    {
        return $this->opinions;
    }

    /**
     * Each school's action, and the sessions on whose verdict the schools do not agree, oldest first.
     *
     * @return array{schools: list<array{school: string, action: string, reasons: list<string>}>,
     *     parts: list<array{session: string, verdicts: array<string, list<string>>}>}
     */
    public function toArray(): array
    {
        $schools = [];
        $verdicts = [];
        foreach ($this->opinions as ['school' => $school, 'evaluation' => $evaluation]) {
            $schools[] = [
                'school' => $school,
                'action' => $evaluation->action->kind->value,
                'reasons' => [$evaluation->action->reason->value],
            ];
            foreach ($evaluation->sessions as $response) {
                $verdicts[$response->session->id][$response->verdict->value][] = $school;
            }
        }
        $parts = [];
        foreach ($verdicts as $session => $byVerdict) {
            if (count($byVerdict) > 1) {
                $parts[] = ['session' => (string) $session, 'verdicts' => $byVerdict];
            }
        }

        return ['schools' => $schools, 'parts' => $parts];
    }
}
