<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\AccessKind;
use App\Models\CareCase;
use App\Models\CaseShare;
use App\Models\Cover;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Cases get another practitioner, with a note in the record of each: all of them or none. */
final class HandOver
{
    public function __construct(
        private readonly WriteCase $write,
        private readonly RefreshStanding $standing,
        private readonly CurrentPractice $practice,
    ) {}

    /** One case. */
    public function case(CareCase $case, User $to, string $note, User $by): void
    {
        $this->practice->onEveryCase(
            fn() => $this->write->run($case, $by, "handed the case over to $to->name", function (CareCase $locked) use (
                $to,
                $note,
                $by,
            ): void {
                $from = $locked->practitioner->name;
                $locked->forceFill(['practitioner_id' => $to->id])->save();
                $locked->unsetRelation('practitioner');
                // It is the new practitioner's own now.
                CaseShare::query()
                    ->where('case_id', $locked->id)
                    ->where('user_id', $to->id)
                    ->whereNull('ended_at')
                    ->update(['ended_at' => CarbonImmutable::now()->utc()]);
                RecordDecision::record(
                    $locked,
                    $by,
                    'note',
                    "Handed over from $from to $to->name",
                    $note,
                    $this->standing->evaluate($locked),
                );
            }),
        );
    }

    /**
     * Every open case of somebody; closed ones stay under the name of who closed them.
     *
     * @return int how many
     */
    public function all(User $from, User $to, string $note, User $by): int
    {
        return $this->practice->onEveryCase(
            fn(): int => DB::transaction(function () use ($from, $to, $note, $by): int {
                $cases = CareCase::query()
                    ->where('practitioner_id', $from->id)
                    ->whereNull('closed_on')
                    ->orderBy('id')
                    ->get();
                foreach ($cases as $case) {
                    $this->case($case, $to, $note, $by);
                }
                Cover::query()
                    ->where(static fn($mine) => $mine->where('of', $from->id)->orWhere('user_id', $from->id))
                    ->whereNull('ended_at')
                    ->update(['ended_at' => CarbonImmutable::now()->utc()]);
                AccessLog::note(
                    $by,
                    AccessKind::People,
                    "handed {$cases->count()} " .
                        ($cases->count() === 1 ? 'case' : 'cases') .
                        " of $from->name over to $to->name",
                );

                return $cases->count();
            }),
        );
    }
}
