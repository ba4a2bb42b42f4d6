<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Http\Requests\CoreRequest;
use LogicException;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Strength\CurveAsk;

/**
 * A force curve as a gauge took it, what was asked of it, and the figures that answer that.
 *
 * @extends CoreRequest<array{string, string, CurveAsk|null, array<string, int|float|null>}>
 */
final class CurveRequest extends CoreRequest
{
    /** @return array{string, string, CurveAsk|null, array<string, int|float|null>} */
    protected function read(ObjectNode $node): array
    {
        $ask = CurveAsk::read($node);

        return [$node->key('measure'), $node->key('side'), $ask, $ask?->answer($node) ?? []];
    }

    public function measure(): string
    {
        return $this->value()[0];
    }

    public function side(): string
    {
        return $this->value()[1];
    }

    public function ask(): CurveAsk
    {
        return $this->value()[2] ?? throw new LogicException('A curve that cannot be read is refused.');
    }

    /** @return array<string, int|float|null> */
    public function figures(): array
    {
        return $this->value()[3];
    }
}
