// SPDX-License-Identifier: GPL-3.0-or-later
// The verdict in the header: for each band with requirements the share met, its outcome, the change by the
// last edit.
#pragma once
#include <QAbstractButton>

namespace yemvo::app {

class Workspace;

class VerdictView : public QAbstractButton {
    Q_OBJECT
public:
    explicit VerdictView(Workspace&, QWidget* parent = nullptr);
    QSize sizeHint() const override;
    /// As it reads, for tests and screen readers: "97.9 % 2.4 GHz".
    QString words() const;

protected:
    void paintEvent(QPaintEvent*) override;

private:
    void refresh();
    bool judged() const;
    int usual_width() const;
    Workspace& workspace_;
};

}  // namespace yemvo::app
