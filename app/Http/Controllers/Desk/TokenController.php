<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Requests\Access\TokenRequest;
use App\Http\Resources\TokenResource;
use App\Models\AccessKind;
use App\Models\ApiToken;
use App\Support\AccessLog;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

/** Tokens with which other systems read the practice: made and withdrawn by the owner. */
final class TokenController extends Controller
{
    private const MOST = 20;

    public function index(): JsonResponse
    {
        return new JsonResponse(['tokens' => self::all()]);
    }

    public function store(TokenRequest $request): JsonResponse
    {
        $person = self::person($request);
        abort_if(
            ApiToken::query()->count() >= self::MOST,
            409,
            'There are ' . self::MOST . ' tokens already: withdraw one that is not needed any more.',
        );
        [$token, $text] = ApiToken::issue(
            $person,
            $request->name(),
            CarbonImmutable::now()->addDays($request->integer('days')),
        );
        AccessLog::note($person, AccessKind::People, "made the token “{$token->name}”");

        return new JsonResponse(['token' => $text, 'tokens' => self::all()], 201);
    }

    public function withdraw(Request $request, string $token): JsonResponse
    {
        $found = ApiToken::query()->findOrFail($token);
        $found->delete();
        AccessLog::note(self::person($request), AccessKind::People, "withdrew the token “{$found->name}”");

        return new JsonResponse(['tokens' => self::all()]);
    }

    /** The newest first. */
    private static function all(): AnonymousResourceCollection
    {
        return TokenResource::collection(ApiToken::query()->orderByDesc('created_at')->orderByDesc('id')->get());
    }
}
