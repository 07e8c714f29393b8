// SPDX-License-Identifier: GPL-3.0-or-later
// Where the tests' data lie.
#pragma once
#include <string>

namespace yemvo::test {

std::string test_data();

}  // namespace yemvo::test
