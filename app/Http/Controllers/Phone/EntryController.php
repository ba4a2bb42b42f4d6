<?php

declare(strict_types=1);

namespace App\Http\Controllers\Phone;

use App\Actions\CorrectEntry;
use App\Actions\ExplainMissed;
use App\Actions\MoveOwnSession;
use App\Actions\WriteToPractitioner;
use App\Http\Controllers\Controller;
use App\Http\Requests\CoreFaults;
use App\Http\Requests\Phone\CorrectionRequest;
use App\Http\Requests\Phone\MessageRequest;
use App\Http\Requests\Phone\MissedRequest;
use App\Http\Requests\Phone\MoveOwnRequest;
use App\Models\PlannedSession;
use App\Support\AccessLog;
use App\Support\CaseWeeks;
use App\Support\OtherDays;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What an athlete puts right, says of a session that was missed, and writes to whoever treats them. */
final class EntryController extends Controller
{
    use OwnCases;

    public function correct(CorrectionRequest $request, string $id, CorrectEntry $correct): JsonResponse
    {
        $case = $this->namedCase($request);

        return self::stored($correct->handle($case, self::person($request), $id, $request->value()));
    }

    public function missed(MissedRequest $request, string $id, ExplainMissed $explain): JsonResponse
    {
        $case = $this->namedCase($request);
        $planned = PlannedSession::query()->where('case_id', $case->id)->findOrFail($id);
        $explain->handle($case, self::person($request), $planned, $request->value());

        return new JsonResponse(['stored' => true]);
    }

    /** The other days on which a session may be done, and what would break there. */
    public function otherDays(Request $request, string $id): JsonResponse
    {
        $case = $this->namedCase($request);
        AccessLog::read(self::person($request), $case, 'looked for another day');

        return new JsonResponse([
            'choices' => $case->isStopped()
                ? []
                : CoreFaults::refusing(
                    static fn(): array => OtherDays::forSession(CaseWeeks::forCase($case), $id)->toArray(),
                ),
        ]);
    }

    public function move(MoveOwnRequest $request, string $id, MoveOwnSession $move): JsonResponse
    {
        $case = $this->namedCase($request);
        [$planned, $on, $why] = $request->value();

        return new JsonResponse([
            'moved' => $move->handle($case, self::person($request), $id, $planned, $on, $why),
        ]);
    }

    public function message(MessageRequest $request, string $id, WriteToPractitioner $write): JsonResponse
    {
        $case = $this->namedCase($request);
        [$kind, $words, $pain] = $request->value();

        return self::stored($write->handle($case, self::person($request), $id, $kind, $words, $pain));
    }

    private static function stored(bool $new): JsonResponse
    {
        return new JsonResponse(['stored' => true, 'new' => $new], $new ? 201 : 200);
    }
}
