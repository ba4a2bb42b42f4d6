<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\MadeFile;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * How far a file is that is made in the background.
 *
 * @mixin MadeFile
 */
final class MadeFileResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'state' => $this->state->value,
            'done' => min($this->done, $this->steps),
            'steps' => $this->steps,
            'bytes' => $this->bytes,
            'problem' => $this->problem,
        ];
    }
}
