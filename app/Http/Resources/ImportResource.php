<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Import;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * A sheet that was taken in.
 *
 * @mixin Import
 */
final class ImportResource extends JsonResource
{
    use InPracticeTime;

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind->value,
            'entries' => $this->entries,
            'by' => $this->user->name,
            'at' => self::local($request, $this->at),
            'taken_back_at' => self::local($request, $this->taken_back_at),
        ];
    }
}
