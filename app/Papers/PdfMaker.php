<?php

declare(strict_types=1);

namespace App\Papers;

/** Makes a PDF of a page. */
interface PdfMaker
{
    /**
     * @return string the PDF's bytes: tagged, with its fonts in it
     *
     * @throws PdfFailed
     */
    public function make(string $html): string;
}
