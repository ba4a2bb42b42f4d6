<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Push;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * What waits for a phone.
 *
 * @mixin Push
 */
final class PushResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind->value,
            'words' => $this->words,
        ];
    }
}
