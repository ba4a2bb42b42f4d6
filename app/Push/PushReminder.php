<?php

declare(strict_types=1);

namespace App\Push;

use App\Models\Push;
use App\Models\PushPhone;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Rung\Core\Attention\ReminderKind;

/** Sends a reminder to a phone, once, however often it is tried. */
final class PushReminder
{
    public function __construct(private readonly PushService $service) {}

    /** @param string $about the day or the message that it is about */
    public function handle(PushPhone $phone, ReminderKind $kind, string $about): bool
    {
        $id = (string) Str::uuid7();
        $isNew =
            DB::table('pushes')->insertOrIgnore([
                'id' => $id,
                'practice_id' => $phone->practice_id,
                'phone_id' => $phone->id,
                'kind' => $kind->value,
                'about' => $about,
                'words' => $kind->words($phone->user->practice->name),
                'at' => CarbonImmutable::now()->utc(),
            ]) === 1;
        if ($isNew) {
            $this->service->bring(Push::query()->findOrFail($id));
        }

        return $isNew;
    }
}
