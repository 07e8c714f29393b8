// SPDX-License-Identifier: GPL-3.0-or-later
// Finds every action, floor, zone, access point and type by name.
#pragma once
#include <QDialog>
#include <functional>
#include <vector>

class QLineEdit;
class QListWidget;

namespace yemvo::app {

struct Choice {
    QString name;
    QString where;  ///< "Plan", "Floor", "Zone on First floor"
    QString key;
    std::function<void()> run;
    bool enabled = true;
};

class CommandPalette : public QDialog {
    Q_OBJECT
public:
    CommandPalette(std::vector<Choice>, QWidget* window);
    /// Those that hold every word of the text, names that begin with it first.
    static std::vector<std::size_t> matching(const std::vector<Choice>&, const QString& text);

protected:
    bool eventFilter(QObject*, QEvent*) override;

private:
    void filter();
    void run_current();
    std::vector<Choice> commands_;
    std::vector<std::size_t> shown_;
    QLineEdit* text_;
    QListWidget* list_;
};

}  // namespace yemvo::app
