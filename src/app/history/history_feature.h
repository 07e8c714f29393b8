// SPDX-License-Identifier: GPL-3.0-or-later
// The history of edits, in the tray.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class HistoryPage;

class HistoryFeature : public Feature {
    Q_OBJECT
public:
    explicit HistoryFeature(Shell&);

private:
    HistoryPage* page_;
};

}  // namespace yemvo::app
