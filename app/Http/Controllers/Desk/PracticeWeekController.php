<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Resources\PracticeWeekPage;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A week of the practice, or of one practitioner, over all cases. */
final class PracticeWeekController extends Controller
{
    public function show(Request $request, PracticeWeekPage $page): JsonResponse
    {
        $person = self::person($request);
        $practitioner = $request->string('practitioner')->limit(36, '')->value();
        $answer = $page->present($person, $practitioner === '' ? null : $practitioner, $request->integer('week'));
        AccessLog::readMany($person, 'looked at the week', $page->shown());

        return new JsonResponse($answer);
    }

    /** The address of the calendar to subscribe to; a new one, the older stops working. */
    public function calendar(Request $request): JsonResponse
    {
        return new JsonResponse(['address' => self::person($request)->newCalendarAddress()], 201);
    }
}
