<?php

return [
    'default' => env('FILESYSTEM_DISK', 'local'),
    'disks' => [
        'local' => ['driver' => 'local', 'root' => storage_path('app/private'), 'throw' => true],
        // What was brought in, by content hash. Point BLOB_DISK at another disk to keep it in object storage.
        'blobs' => ['driver' => 'local', 'root' => env('BLOB_ROOT', storage_path('app/private/blobs')), 'throw' => true],
    ],
];
