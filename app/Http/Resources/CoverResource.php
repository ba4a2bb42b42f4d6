<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Access\Permission;
use App\Models\Cover;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * Who stands in for whom.
 *
 * @mixin Cover
 */
final class CoverResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $person = $request->user();

        return [
            'id' => $this->id,
            'of' => $this->away->name,
            'by' => $this->user->name,
            'from' => $this->from,
            'until' => $this->until,
            'may_end' => $person instanceof User && ($this->of === $person->id || $person->may(Permission::Manage)),
        ];
    }
}
