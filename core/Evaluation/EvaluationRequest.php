<?php

declare(strict_types=1);

namespace Rung\Core\Evaluation;

use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Moment;

/** Answers a case file with its evaluation. */
final class EvaluationRequest
{
    /**
     * @param Moment|null $at the moment asked for; null: the newest of the file
     *
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    public static function answer(string $json, ?Moment $at): array
    {
        $file = CaseFile::fromJson($json);
        $at ??=
            $file->newestMoment() ??
            throw InvalidInput::at('', 'holds no moment to evaluate at; ask for one with --at');

        return Evaluator::evaluate($file, $at)->toArray();
    }
}
