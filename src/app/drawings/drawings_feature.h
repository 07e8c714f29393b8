// SPDX-License-Identifier: GPL-3.0-or-later
// Drawings that come to lie under floors: chosen, dropped, pasted, prepared, revised.
#pragma once
#include <QStringList>
#include <string>

#include "app/drawings/prepare_page.h"
#include "app/offer/feature.h"

namespace yemvo::app {

class DrawingsFeature : public Feature {
    Q_OBJECT
public:
    explicit DrawingsFeature(Shell&);
    /// Reads the file behind the window and shows it on the preparation page.
    void import(const QString& file, PrepareTask::Kind = PrepareTask::Kind::lay, DrawingId = {});
    /// A laid drawing on the preparation page.
    void prepare_again(DrawingId);
    PreparePage& page() { return *page_; }
    bool is_preparing() const;
    bool is_working() const;

private:
    void choose();
    void choose_revision(DrawingId);
    void paste();
    bool take(const QStringList& files);
    void next_dropped();
    void open(const QString& name, const PrepareTask&, std::function<OpenedFile(const CancelToken&)> how);
    void import_bytes(const std::string& name, Shared<Bytes>, const PrepareTask&);
    void lay(const Prepared&);
    void leave();
    PreparePage* page_;
    int opening_ = 0;
    Behind reader_{{Behind::Takes::newest, {}, {}, 3}};
    QStringList dropped_;  ///< that wait for their turn
};

}  // namespace yemvo::app
