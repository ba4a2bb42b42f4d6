<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\LibraryItem;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * A version of an item of the library.
 *
 * @mixin LibraryItem
 */
final class LibraryVersionResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'version' => $this->version,
            'at' => $this->created_at->toIso8601String(),
            'by' => $this->author->name,
            'based_on' => $this->based_on,
            'content' => json_decode($this->content, false, 32, JSON_THROW_ON_ERROR),
        ];
    }
}
