<?php

declare(strict_types=1);

namespace App\Http\Controllers\Phone;

use App\Http\Controllers\Controller;
use App\Http\Requests\Phone\PushPhoneRequest;
use App\Http\Resources\PushResource;
use App\Models\Push;
use App\Models\PushPhone;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Which reminders an athlete wants on a phone, and which wait to be shown there. */
final class PushController extends Controller
{
    public function update(PushPhoneRequest $request, string $phone): JsonResponse
    {
        $user = self::person($request);
        $there = PushPhone::query()->find($phone);
        if ($there !== null && $there->user_id !== $user->id) {
            throw new ConflictHttpException('This phone reminds somebody else. Sign out there first.');
        }
        $kept = PushPhone::query()->updateOrCreate(
            ['id' => $phone],
            $request->times() + [
                'practice_id' => $user->practice_id,
                'user_id' => $user->id,
                'since' => $there->since ?? CarbonImmutable::now()->utc(),
            ],
        );

        return new JsonResponse([
            'morning_at' => $kept->morning_at,
            'session_at' => $kept->session_at,
            'messages' => $kept->messages,
        ]);
    }

    public function destroy(Request $request, string $phone): JsonResponse
    {
        PushPhone::query()->where('user_id', self::person($request)->id)->whereKey($phone)->delete();

        return new JsonResponse(['stored' => true]);
    }

    /** What waits for a phone; each is handed over once. One of somebody else, or that asked for nothing, has nothing. */
    public function pushes(Request $request, string $phone): JsonResponse
    {
        $own = PushPhone::query()->where('user_id', self::person($request)->id)->find($phone);
        $waiting =
            $own === null
                ? []
                : $own
                    ->pushes()
                    ->whereNull('taken_at')
                    ->where('at', '>', CarbonImmutable::now()->utc()->subDay())
                    ->orderBy('at')
                    ->get()
                    ->all();
        Push::query()
            ->whereIn('id', array_column($waiting, 'id'))
            ->update(['taken_at' => CarbonImmutable::now()->utc()]);

        return new JsonResponse([
            'pushes' => PushResource::collection($waiting),
        ]);
    }
}
