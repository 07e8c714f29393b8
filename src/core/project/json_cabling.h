// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "project/cabling_book.h"
#include "project/json_reader.h"

namespace yemvo {

Json write_cabling_book(const CablingBook&);
CablingBook read_cabling_book(const Reader&);

}  // namespace yemvo
