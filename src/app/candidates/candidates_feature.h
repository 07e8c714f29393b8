// SPDX-License-Identifier: GPL-3.0-or-later
// The page of candidates.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class CandidatesPage;

class CandidatesFeature : public Feature {
    Q_OBJECT
public:
    explicit CandidatesFeature(Shell&);
    CandidatesPage& page() { return *page_; }

private:
    void show();
    CandidatesPage* page_;
};

}  // namespace yemvo::app
