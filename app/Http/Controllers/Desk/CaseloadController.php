<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Resources\CaseloadPage;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The practice's open cases at a glance. */
final class CaseloadController extends Controller
{
    public function __invoke(Request $request, CaseloadPage $page): JsonResponse
    {
        $person = self::person($request);
        $practitioner = $request->string('practitioner')->limit(36, '')->value();
        $answer = $page->present($person, $practitioner === '' ? null : $practitioner);
        AccessLog::readMany($person, 'looked at the caseload', $page->shown());

        return new JsonResponse($answer);
    }
}
