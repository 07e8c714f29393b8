// SPDX-License-Identifier: GPL-3.0-or-later
// The page that answers how many access points a site needs, before any stands.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class AnswerPage;

class AnswerFeature : public Feature {
    Q_OBJECT
public:
    explicit AnswerFeature(Shell&);
    AnswerPage& page() { return *page_; }

private:
    AnswerPage* page_;
};

}  // namespace yemvo::app
