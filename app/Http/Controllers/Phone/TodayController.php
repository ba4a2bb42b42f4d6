<?php

declare(strict_types=1);

namespace App\Http\Controllers\Phone;

use App\Actions\AskForArchive;
use App\Actions\LogCheckIn;
use App\Actions\LogSession;
use App\Actions\LogSettling;
use App\Http\Controllers\Controller;
use App\Http\Requests\Phone\CheckInRequest;
use App\Http\Requests\Phone\SettlingRequest;
use App\Http\Requests\SessionRequest;
use App\Http\Resources\AccessRecord;
use App\Http\Resources\MadeFileResource;
use App\Http\Resources\OwnData;
use App\Http\Resources\PageVersion;
use App\Http\Resources\PhonePage;
use App\Models\Athlete;
use App\Models\Role;
use App\Models\TrainingSession;
use App\Support\AccessLog;
use App\Support\Clock;
use App\Support\PhoneClock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What the athlete is to do now, and what the athlete answers. */
final class TodayController extends Controller
{
    use OwnCases;
    /** Lines that an athlete is shown of who looked. */
    private const READERS = 200;

    public function show(Request $request, PhonePage $page): JsonResponse
    {
        $person = self::person($request);
        $cases = $this->ownCases($request)->get()->all();
        foreach ($cases as $case) {
            AccessLog::read($person, $case, 'looked at today');
        }

        return self::unlessKnown(
            $request,
            PageVersion::ofAthlete($person),
            static fn(): array => $page->present($person, array_values($cases)),
        );
    }

    public function session(SessionRequest $request, LogSession $log): JsonResponse
    {
        $case = $this->namedCase($request);
        [$session, $version] = $request->value();
        $clock = PhoneClock::fromRequest($request);
        $right = $session->at($clock->right($session->started_at), $clock->right($session->ended_at));
        $new = $log->handle($case, self::person($request), $right, $version);

        return new JsonResponse(['stored' => true, 'new' => $new], $new ? 201 : 200);
    }

    public function settled(SettlingRequest $request, string $id, LogSettling $log): JsonResponse
    {
        $case = $this->namedCase($request);
        $session = TrainingSession::query()->where('case_id', $case->id)->findOrFail($id);
        $log->handle($session, self::person($request), $request->value());

        return new JsonResponse(['stored' => true]);
    }

    public function checkIn(CheckInRequest $request, LogCheckIn $log): JsonResponse
    {
        $case = $this->namedCase($request);
        [$checkIn, $made] = $request->value();
        $clock = PhoneClock::fromRequest($request);
        $right = $checkIn->movedTo($clock->right($checkIn->at));
        // One that does not say when it was entered was entered now, where the athlete is.
        $entered = $made === null ? Clock::nowWith($checkIn->at) : $clock->right($made);
        $new = $log->handle($case, self::person($request), $right, $entered);

        return new JsonResponse(['stored' => true, 'new' => $new], $new ? 201 : 200);
    }

    /** All that is kept of the athlete's cases, as a file. */
    public function data(Request $request): JsonResponse
    {
        $person = self::person($request);
        $cases = array_values($this->ownCases($request)->get()->all());
        foreach ($cases as $case) {
            AccessLog::exported($person, 'took away all data', [$case->id], $case->athlete_id);
        }

        return (new JsonResponse(OwnData::present(Athlete::query()->findOrFail($person->athlete_id), $cases)))->header(
            'Content-Disposition',
            'attachment; filename="rung-own-data.json"',
        );
    }

    /** Who of the practice looked at the athlete's record or changed it, the newest first. */
    public function readers(Request $request): JsonResponse
    {
        $person = self::person($request);
        $record = new AccessRecord($person->practice->timezone, ['athlete' => $person->athlete_id]);
        $entries = $record
            ->narrowed()
            ->whereHas('user', static fn($user) => $user->where('role', '<>', Role::Athlete))
            ->limit(self::READERS)
            ->get();

        return new JsonResponse([
            'lines' => array_map(
                static fn(array $line): array => [
                    'at' => $line['at'],
                    'person' => $line['person'],
                    'role' => $line['role'],
                    'what' => str_replace('looked at the Round', 'looked through the list of athletes', $line['what']),
                ],
                $record->lines(array_values($entries->all())),
            ),
        ]);
    }

    /** The same and all else in one archive, made in the background. */
    public function archive(Request $request, AskForArchive $ask): JsonResponse
    {
        $person = self::person($request);
        $file = $ask->handle($person, Athlete::query()->findOrFail($person->athlete_id), false);

        return new JsonResponse(MadeFileResource::make($file), 202);
    }

    /** The address of the calendar to subscribe to; a new one, the older stops working. */
    public function calendar(Request $request): JsonResponse
    {
        return new JsonResponse(['address' => self::person($request)->newCalendarAddress()], 201);
    }
}
