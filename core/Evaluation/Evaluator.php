<?php

declare(strict_types=1);

namespace Rung\Core\Evaluation;

use Rung\Core\Attention\Adherence;
use Rung\Core\Attention\Attention;
use Rung\Core\Attention\WeekLoad;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Decision\Asked;
use Rung\Core\Decision\Bouts;
use Rung\Core\Decision\Decider;
use Rung\Core\Decision\LoggedWork;
use Rung\Core\Decision\Proposer;
use Rung\Core\Decision\StopSource;
use Rung\Core\Dose\Prescription;
use Rung\Core\Gate\Gatekeeper;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Response\Creep;
use Rung\Core\Response\Log;
use Rung\Core\Response\ResponseJudge;
use Rung\Core\Time\Moment;

/** Applies all rules to a case at a moment. */
final class Evaluator
{
    private const ADHERENCE_DAYS = 14;

    private const SETBACKS_SHOWN = 2;

    /**
     * @throws InvalidInput at /stage_history where the moment lies before the first stage
     */
    public static function evaluate(CaseFile $file, Moment $at): Evaluation
    {
        $log = new Log($file, $at);
        $responses = ResponseJudge::judge($log);
        $creep = Creep::fromLog($log);
        $gate = Gatekeeper::look($log, $responses);
        $bouts = Bouts::fromLog($log, $responses);
        $stops = StopSource::all($log);
        $nextStage = self::nextStage($log);
        $action = (new Decider($log, $bouts, $creep, $gate->isOpen(), $nextStage !== null, $stops))->decide();
        $adherence = Adherence::over($log, self::ADHERENCE_DAYS);
        $work = new LoggedWork($log, $responses, $bouts);
        $proposer = new Proposer($log, $bouts, $work);
        $proposals = $proposer->propose($action);
        $settled = $proposer->settle($action, $proposals);
        $proposals = $settled === $action ? $proposals : [];
        $action = $settled;
        $asked =
            $action->kind === ActionKind::Stop
                ? []
                : array_map(
                    static fn(Prescription $p): Asked => $work->history($p)->asked(),
                    $log->stage->prescriptions,
                );

        return new Evaluation(
            log: $log,
            sessions: $responses,
            creep: $creep,
            action: $action,
            attention: Attention::judge($log, $responses, $action, $adherence, self::failedTwice($log, $work)),
            gate: $gate,
            adherence: $adherence,
            thisWeek: WeekLoad::fromLog($log),
            lastWeek: WeekLoad::fromLog($log, 7),
            asked: $asked,
            proposals: $proposals,
            drop: $proposer->drop(),
            nextStage: $nextStage,
            stops: $stops,
            bouts: $bouts,
            work: $work,
        );
    }

    /** Whether a prescription of the stage has two setbacks or more. */
    private static function failedTwice(Log $log, LoggedWork $work): bool
    {
        foreach ($log->stage->prescriptions as $prescription) {
            if ($work->history($prescription)->setbacks() >= self::SETBACKS_SHOWN) {
                return true;
            }
        }

        return false;
    }

    /** The first stage after the current one that applies to the athlete's goal. */
    private static function nextStage(Log $log): ?string
    {
        $passed = false;
        foreach ($log->file->stages as $stage) {
            if ($passed && $stage->appliesTo($log->file->athlete->goal)) {
                return $stage->key;
            }
            $passed = $passed || $stage->key === $log->stage->key;
        }

        return null;
    }
}
