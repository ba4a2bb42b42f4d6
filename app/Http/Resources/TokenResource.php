<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\ApiToken;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * A token with which another system reads, without its secret.
 *
 * @mixin ApiToken
 */
final class TokenResource extends JsonResource
{
    use InPracticeTime;

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'made_at' => self::local($request, $this->created_at),
            'expires_at' => self::local($request, $this->expires_at),
            'expired' => $this->expires_at->isPast(),
            'last_used_at' => self::local($request, $this->last_used_at),
        ];
    }
}
