<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;
use Rung\Core\Dose\Range;
use Rung\Core\Prescribe\DoseSense;

/** How far a figure is drawn: the range of a prescription, or all of it. */
final class FigureRange extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        $degrees = ['numeric', 'between:' . DoseSense::LEAST_DEG . ',' . DoseSense::MOST_DEG];

        return [
            'from_deg' => ['required_with:to_deg', ...$degrees],
            'to_deg' => ['required_with:from_deg', ...$degrees],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        $between = 'must be from ' . DoseSense::LEAST_DEG . ' to ' . DoseSense::MOST_DEG . '°.';

        return [
            'from_deg.required_with' => 'Say where the range begins, or leave out where it ends.',
            'to_deg.required_with' => 'Say where the range ends, or leave out where it begins.',
            'from_deg.numeric' => 'The beginning of the range must be a number of degrees.',
            'to_deg.numeric' => 'The end of the range must be a number of degrees.',
            'from_deg.between' => "The beginning of the range $between",
            'to_deg.between' => "The end of the range $between",
        ];
    }

    public function range(): ?Range
    {
        return $this->has('to_deg') ? new Range($this->float('from_deg'), $this->float('to_deg')) : null;
    }
}
