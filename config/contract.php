<?php

return ['bounds' => App\Http\Contract\Bounds::compile(base_path('docs/formats/api.yaml'))];
