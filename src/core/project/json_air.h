// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "project/air_book.h"
#include "project/json_reader.h"

namespace yemvo {

Json write_air_book(const AirBook&);
AirBook read_air_book(const Reader&);

}  // namespace yemvo
