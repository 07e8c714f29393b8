// SPDX-License-Identifier: GPL-3.0-or-later
#include "test_data.h"

std::string yemvo::test::test_data() { return TEST_DATA; }
std::string yemvo::test::made_up_language() { return MADE_UP; }
