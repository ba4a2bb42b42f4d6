<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CaseShare;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * That somebody opened a case of others, for the owner.
 *
 * @mixin CaseShare
 */
final class OpenedCaseResource extends JsonResource
{
    use InPracticeTime;

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'person' => $this->user->name,
            'athlete' => $this->case->athlete->name,
            'case' => $this->case_id,
            'reason' => $this->reason ?? '',
            'at' => self::local($request, $this->at),
        ];
    }
}
