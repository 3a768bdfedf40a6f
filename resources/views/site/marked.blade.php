{!! implode('', array_map(
    fn (array $piece): string => $piece['isMarked'] ? '<mark>'.e($piece['text']).'</mark>' : e($piece['text']),
    $pieces,
)) !!}
