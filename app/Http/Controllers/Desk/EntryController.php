<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\EntryChange;
use App\Actions\EntryKind;
use App\Actions\LogCheckIn;
use App\Actions\LogSession;
use App\Actions\PutEntryRight;
use App\Actions\RefreshStanding;
use App\Http\Controllers\Controller;
use App\Http\Requests\ReadsCore;
use App\Http\Resources\EntriesPage;
use App\Models\CareCase;
use App\Models\CheckIn as CheckInRow;
use App\Models\Correction;
use App\Models\TrainingSession;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Record;
use Rung\Core\Record\Session;
use Rung\Core\Record\SetLog;
use Rung\Core\Words\DoseWords;

/** A practitioner enters for the athlete what came on paper or by telephone, and puts right what was entered wrongly. */
final class EntryController extends Controller
{
    public function index(Request $request, CareCase $case, RefreshStanding $standing, EntriesPage $page): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'looked at the entries');

        return new JsonResponse($page->of($case, $standing->evaluate($case)->log->stage->key));
    }

    public function correct(Request $request, CareCase $case, string $id, PutEntryRight $put): JsonResponse
    {
        $change = ReadsCore::from($request, EntryChange::read(...));
        if ($change->what === EntryKind::Note) {
            // It stands in the record of decisions.
            Gate::authorize('decide', $case);
        }

        return self::stored(
            ReadsCore::refusing(
                static fn(): bool => $put->handle(
                    $case,
                    self::person($request),
                    self::uuid($id, Correction::class),
                    $change,
                ),
            ),
        );
    }

    public function session(Request $request, CareCase $case, string $session, LogSession $log): JsonResponse
    {
        [$done, $version] = ReadsCore::from(
            $request,
            static fn(ObjectNode $node): array => [Session::read($node), $node->whole('plan_version', 1)],
            ['id' => self::uuid($session, TrainingSession::class), 'stage' => ''],
        );

        return self::stored(
            ReadsCore::refusing(static fn(): bool => $log->handle($case, self::person($request), $done, $version)),
        );
    }

    /** What a device wrote down of an exercise; nothing is stored before the session is. */
    public function setLog(Request $request, CareCase $case): JsonResponse
    {
        $request->validate(['text' => ['required', 'string']], ['text' => 'Choose a file of the device.']);
        $log = ReadsCore::refusing(static fn(): SetLog => SetLog::read($request->string('text')->value()));

        return new JsonResponse([
            'device' => $log->device,
            'sets' => array_map(static fn(LoggedSet $set): object => (object) Record::of($set), $log->sets),
            'words' => array_map(DoseWords::set(...), $log->sets),
        ]);
    }

    public function checkIn(Request $request, CareCase $case, string $id, LogCheckIn $log): JsonResponse
    {
        $checkIn = ReadsCore::from($request, CheckIn::read(...), ['id' => self::uuid($id, CheckInRow::class)]);

        return self::stored(
            ReadsCore::refusing(static fn(): bool => $log->forAthlete($case, self::person($request), $checkIn)),
        );
    }

    private static function stored(bool $new): JsonResponse
    {
        return new JsonResponse(['stored' => true, 'new' => $new], $new ? 201 : 200);
    }
}
