<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\PaperVersion;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * Who wrote a version of a paper, and when.
 *
 * @mixin PaperVersion
 */
final class PaperVersionResource extends JsonResource
{
    use InPracticeTime;

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'number' => $this->number,
            'by' => $this->user->name,
            'at' => self::local($request, $this->at),
        ];
    }
}
