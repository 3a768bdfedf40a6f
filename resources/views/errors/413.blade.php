@extends('errors.layout')
@section('title', 'This is too large')
@section('advice', 'The server takes 60 MB at most. Go back and choose something smaller.')
