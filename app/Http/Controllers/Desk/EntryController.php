<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\EntryKind;
use App\Actions\LogCheckIn;
use App\Actions\LogSession;
use App\Actions\PutEntryRight;
use App\Actions\RefreshStanding;
use App\Http\Controllers\Controller;
use App\Http\Requests\Desk\CheckInEntryRequest;
use App\Http\Requests\Desk\EntryChangeRequest;
use App\Http\Requests\Desk\SetLogRequest;
use App\Http\Requests\SessionRequest;
use App\Http\Resources\EntriesPage;
use App\Models\CareCase;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
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

        return new JsonResponse($page->present($case, $standing->evaluate($case)->log->stage->key));
    }

    public function correct(EntryChangeRequest $request, CareCase $case, string $id, PutEntryRight $put): JsonResponse
    {
        $change = $request->value();
        if ($change->what === EntryKind::Note) {
            // It stands in the record of decisions.
            Gate::authorize('decide', $case);
        }

        return self::stored($put->handle($case, self::person($request), $id, $change));
    }

    public function session(SessionRequest $request, CareCase $case, LogSession $log): JsonResponse
    {
        [$done, $version] = $request->value();

        return self::stored($log->handle($case, self::person($request), $done, $version));
    }

    /** What a device wrote down of an exercise; nothing is stored before the session is. */
    public function setLog(SetLogRequest $request, CareCase $case): JsonResponse
    {
        $log = SetLog::read($request->string('text')->value());

        return new JsonResponse([
            'device' => $log->device,
            'sets' => array_map(static fn(LoggedSet $set): object => (object) Record::toArray($set), $log->sets),
            'words' => array_map(DoseWords::set(...), $log->sets),
        ]);
    }

    public function checkIn(CheckInEntryRequest $request, CareCase $case, LogCheckIn $log): JsonResponse
    {
        return self::stored($log->forAthlete($case, self::person($request), $request->value()));
    }

    private static function stored(bool $new): JsonResponse
    {
        return new JsonResponse(['stored' => true, 'new' => $new], $new ? 201 : 200);
    }
}
