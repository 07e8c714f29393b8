// SPDX-License-Identifier: GPL-3.0-or-later
// The kinds of things on a floor as the window shows them: names, marks, forms, tools. A new kind is a file
// here and an entry in things.cpp.
#pragma once

namespace yemvo::app {

/// To those that ask by kind (app/kinds/kind_face.h); before the first window.
void tell_things();

}  // namespace yemvo::app
