<input type="search" form="{{ $choices->form() }}" name="{{ $choices->parameter($facet) }}" maxlength="200"
    aria-label="{{ $facet->filter->label() }}" value="{{ $facet->chosen?->said }}">
