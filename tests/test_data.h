// SPDX-License-Identifier: GPL-3.0-or-later
// Where the tests' data lie, and what was made for them.
#pragma once
#include <string>

namespace yemvo::test {

std::string test_data();
/// A translation (.qm) that nobody speaks, made of all texts: tools/translations.
std::string made_up_language();

}  // namespace yemvo::test
